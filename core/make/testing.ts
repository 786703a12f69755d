/** Runs for tests: parts by their ends, and chains of them. */
import { defaultRules } from '../house/rules.ts';
import { matchChains } from '../match/chains.ts';
import type { Part } from '../match/part.ts';
import type { Need } from '../match/query.ts';
import { part as plain } from '../match/testing.ts';
import type { Appliance } from '../rows/index.ts';
import type { RunFacts } from './run-facts.ts';

/** With ends enough for any test: the second is the way on, others branch off. */
export const part = (id: string, codes: string[], more: Partial<Part> = {}): Part => plain(id, codes, { maxPsi: 200, maxF: 200, ...more });

export const hose = (id: string, a: string, b: string): Part => part(id, [a, b], { flexible: true, lengthIn: 20, tags: ['hose', 'line:braided'] });

export const sink = {
  id: 'basin-faucet',
  name: 'basin faucet',
  moves: false,
  powered: false,
  mixes: true,
  fedBoth: true,
  hasAerator: true,
  makesIce: false,
  fastClosing: 'no',
  avoid: [],
  protection: '',
  typicalVolumeGal: 0,
} as unknown as Appliance;

/** A run that joins `from` and `to` by these parts. */
export function runBy(parts: Part[], from: string, to: string, more: Partial<RunFacts> & { need?: Partial<Need> } = {}): RunFacts {
  const { need, ...rest } = more;
  const chain = matchChains({ from, to, parts, ...(more.rejoin ? { rejoin: more.rejoin } : {}), need: { water: 'cold', ...need } }).chains[0];
  if (!chain) throw new Error(`Nothing joins ${from} and ${to}.`);
  return {
    work: 'basin-faucet',
    appliance: sink,
    water: 'cold',
    chain,
    from,
    to,
    stop: { kind: 'quarter-turn', condition: 'works' },
    hidden: false,
    rules: defaultRules,
    stepData: [],
    parts,
    ...rest,
  };
}
