import * as z from 'zod/mini';
import { writeTurns } from '../../../core/units/fraction.ts';
import { kind } from '../../kind.ts';
import { turns24 } from '../../shapes.ts';
import { wantsTarget } from '../rules.ts';

/** A joint, made with so many turns past hand-tight. */
export const jointMade = kind({
  name: 'joint-made',
  shape: z.strictObject({ turns24 }),
  counts: 'all',
  about: 'joint',
  holds: wantsTarget,
  says: (b) => `made, ${writeTurns(b.turns24)}`,
});
