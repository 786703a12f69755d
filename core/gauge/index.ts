export { CARD_SHEET, gaugeCard, type Mark } from './card.ts';
