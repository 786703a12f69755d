export { HOUSE_CHOICES, type HouseChoices } from './choices.table.ts';
export { chosen, defaultRules, type HouseRules } from './rules.ts';
