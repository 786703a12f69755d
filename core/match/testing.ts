/** Parts for tests. */
import type { EndCode } from '../ends/code.ts';
import type { Part, Port } from './part.ts';

/** A part with these ends in a row, `e0`, `e1` ...; each with its port where it is no plain one. */
export const part = (id: string, ends: readonly (EndCode | [EndCode, Port])[] = [], more: Partial<Part> = {}): Part => ({
  id,
  name: id,
  kind: 'adapter',
  ends: ends.map((end, i) => {
    const [code, port]: [EndCode, Port] = typeof end === 'string' ? [end, 'either'] : end;
    return { id: `e${i}`, code, port };
  }),
  flexible: false,
  cutToLength: false,
  lengthIn: 1,
  waters: ['cold', 'hot'],
  maxPsi: 125,
  maxF: 180,
  potable: true,
  priceCents: 500,
  minutes: 2,
  tags: [],
  ...more,
});
