import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { NOISES, type Noise } from '../told/noises.ts';

/** What is heard when the appliance works and shuts once the work is done: beside what was heard before it. */
export const noiseHeard = kind({
  name: 'noise-heard',
  shape: z.strictObject({ noise: z.enum(Object.keys(NOISES) as [Noise, ...Noise[]], 'is no noise') }),
  counts: 'last',
  about: 'run',
  onSigned: () => true,
  holds: always,
  describe: ({ noise }) => `After the work: ${NOISES[noise]}`,
});
