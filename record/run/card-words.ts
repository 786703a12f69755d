import type { WorkStep } from '../../core/index.ts';
import type { Words } from './now.ts';

/** Words for the steps of a card and what is known to go wrong at them. */
export function cardWords(card: readonly WorkStep[]): Pick<Words, 'step' | 'way'> {
  const stepOf = (id: string) => card.find((step) => step.id === id);
  return {
    step: (id) => stepOf(id)?.title ?? 'a step of the card',
    way: (step, id) => stepOf(step)?.recoveries?.find((way) => way.id === id)?.title ?? 'something that went wrong',
  };
}
