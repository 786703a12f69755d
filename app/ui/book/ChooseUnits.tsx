import type { Shop } from '../../../record/index.ts';
import { Choices } from '../form/index.ts';
import { ownHere, sayIn } from '../units/index.ts';
import { say, saying } from './book.ts';

/** Which system the shop says its figures in; a device that says otherwise for itself stays so. */
export function ChooseUnits({ shop }: { shop: Shop }) {
  return (
    <Choices
      legend="Figures in"
      options={[
        ['inch', 'inches, psi, F'],
        ['metric', 'millimetres, bar, C'],
      ]}
      value={shop.units}
      onChange={(units) => {
        say([saying('shop', shop.id, 'changed', { units })], units === 'metric' ? 'Figures in millimetres' : 'Figures in inches');
        if (ownHere() === undefined) sayIn(units);
      }}
    />
  );
}
