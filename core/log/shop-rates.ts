import type { RatesGiven } from '../match/index.ts';
import { type SealId, sealById } from '../rows/index.ts';
import { type WeighedRate, weighedRate } from './weighed-rate.ts';

/** Joints a shop made of a seal, and how many came back. */
export interface SealCount {
  seal: SealId;
  joints: number;
  callbacks: number;
}

/** What to expect of a seal: the table's first guess weighed with the shop's own record. */
export const weighedSeal = (seal: SealId, counts: readonly SealCount[]): WeighedRate => {
  const { joints = 0, callbacks = 0 } = counts.find((c) => c.seal === seal) ?? {};
  return weighedRate({ guess: sealById(seal).callbacksPer1000 / 1000, joints, callbacks });
};

/** The rates that matching reckons with; the table's own where the shop made no joint of a seal. */
export const ratesOf = (counts: readonly SealCount[]): RatesGiven =>
  Object.fromEntries(counts.map((c) => [c.seal, weighedSeal(c.seal, counts).weighed]));
