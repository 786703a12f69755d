/** Questions as they are asked at a parts counter, once their ends are known: what a good plumber would hand over. */
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import { isOpenPipe } from '../core/ends/hose-or-pipe.ts';
import { defaultRules, type HouseRules } from '../core/house/rules.ts';
import { askedNeeds, type KnownFacts, type KnownId, knownNeed, needOfAll } from '../core/match/need/known-need.ts';
import { matchPreferring } from '../core/match/preferring.ts';
import { catalogue } from './index.ts';

const { parts, loose, appliances } = catalogue();

/** A line of the fixture; a bar within a pattern is written \|. */
interface Case {
  said: string;
  appliance: string;
  from: string;
  to: string;
  rejoin: string | undefined;
  inches: number | null;
  needs: string[];
  best: RegExp;
  good: RegExp;
}

function readCase(line: string): Case {
  const [said, appliance, ends, inches, needs, best, good] = line.split(/(?<!\\)\|/).map((cell) => cell.trim().replaceAll('\\|', '|'));
  const [from, to, , rejoin] = ends!.split(' ');
  const pattern = (text: string) => new RegExp(text === '' ? '^\\b$' : `^(?:${text})$`);
  return {
    said: said!,
    appliance: appliance!,
    from: from!,
    to: to!,
    rejoin,
    inches: inches ? Number(inches) : null,
    needs: needs!.split(' ').filter(Boolean),
    best: pattern(best!),
    good: pattern(good!),
  };
}

const cases = readFileSync(new URL('./fixtures/counter.txt', import.meta.url), 'utf8')
  .split('\n')
  .filter((line) => line && !line.startsWith('#'))
  .map(readCase);

/** Asked as a run asks: what is known of the appliance and the place, less what the customer does not want. */
function answers(c: Case): string[] {
  const has = (word: string) => c.needs.includes(word);
  const row = appliances.find((a) => a.id === c.appliance);
  const rules: HouseRules = { ...defaultRules, ...(has('riser') ? { toiletLine: 'riser' } : {}), ...(has('no-push') ? { push: 'never' } : {}) };
  const facts: KnownFacts = {
    appliance: row ?? { id: '', name: '', minBoreIn: 0, usualNeeds: [], avoid: [], maxStaticPsi: 80 },
    from: c.from,
    to: c.to,
    distanceIn: c.inches,
    ...(has('floor-pass') ? { passes: 'floor' as const } : {}),
    hasNoStop: row !== undefined && isOpenPipe(c.from) && c.appliance !== 'hydrant',
    place: {
      hidden: has('hidden'),
      ownStop: has('stop'),
      arrestor: has('arrestor'),
      check: has('check'),
      leaveOutlet: has('outlet'),
      afterOsmosis: has('ro'),
      ...(has('floor') ? { outOf: 'floor' as const } : has('wall') ? { outOf: 'wall' as const } : {}),
    },
    stubs: {},
    rules,
  };
  const left = c.needs.filter((n) => n.startsWith('-')).map((n) => ({ id: n.slice(1) as KnownId, to: null, because: 'not wanted' }));
  const { need, soft } = needOfAll(has('hot') ? 'hot' : 'cold', askedNeeds(knownNeed(facts), left));
  if (!row) delete need.minBoreIn;
  const { chains } = matchPreferring({ from: c.from, to: c.to, ...(c.rejoin ? { rejoin: c.rejoin } : {}), parts, loose, need, rules, k: 3 }, soft);
  return chains.length === 0 ? ['NONE'] : chains.map((chain) => chain.parts.join(' ') || 'direct');
}

const withoutLengths = (chain: string) => chain.replace(/\b(con-\S*?)-\d+(?= |$)/g, '$1');
const isOneOf = (chain: string, ...patterns: RegExp[]) => patterns.some((p) => p.test(chain) || p.test(withoutLengths(chain)));

describe('asked at the counter', () => {
  const told = cases.map((c) => ({ c, found: answers(c) }));
  it('is answered first with what a good plumber would take', () => {
    const wrong = told.filter(({ c, found }) => !isOneOf(found[0]!, c.best, c.good));
    assert.ok(wrong.length <= cases.length * 0.05, wrong.map(({ c, found }) => `${c.said}: ${found[0]}`).join('\n'));
  });
  it('has the best among the first three', () => {
    const wrong = told.filter(({ c, found }) => !found.some((chain) => isOneOf(chain, c.best)));
    assert.ok(wrong.length <= cases.length * 0.01, wrong.map(({ c, found }) => `${c.said}: ${found.join(' / ')}`).join('\n'));
  });
});
