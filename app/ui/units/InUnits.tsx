/** A sentence, with its quantities in what this device goes by. */
import { type Said, saidIn } from '../../../core/index.ts';
import { useUnits } from './units.ts';

export function InUnits({ said }: { said: Said }) {
  return saidIn(said, useUnits());
}
