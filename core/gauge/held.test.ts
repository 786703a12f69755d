/** The gauge card, mark by mark. */
import { held } from '../testing.ts';
import { gaugeCard } from './card.ts';

held(
  import.meta.url,
  gaugeCard().map((mark, i) => [`mark ${i}`, () => mark] as const),
);
