import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../catalog/index.ts';
import { chanceOf } from '../shut/testing.ts';
import { byCost, matchChains } from './chains.ts';
import { constructions } from './constructions.ts';
import type { Part } from './part.ts';
import type { Chain, MatchQuery } from './query.ts';
import { part } from './testing.ts';

const CODES = ['comp-3/8-m', 'comp-3/8-f', 'comp-1/4-m', 'comp-1/4-f'];
const LOOSE = CODES.map((c) => ({ code: `cap-${c}`, priceCents: 150 }));

/** So many random ones: 100 unless told; 400 take some ten seconds. */
const CATALOGUES = Number(process.env.CATALOGUES ?? 100);

/** Alike in all but length, as it is written down: the columns of a part one by one. */
function alike(p: Part): string {
  const ends = p.ends.map((e) => `${e.id} ${e.code} ${e.port}`).join(', ');
  return [p.kind, ends, p.flexible, p.cutToLength, p.waters.join(), p.maxPsi, p.maxF, p.potable, p.boreIn, p.tags.join()].join(' | ');
}

/** Every chain there is, grouped. */
function grouped(q: MatchQuery & { parts: Part[] }): { total: number; key: string; lengths: string[] }[] {
  const byId = new Map(q.parts.map((p) => [p.id, p]));
  const { chains } = matchChains({ ...q, k: 100 });
  if (chains.length >= 100) return [];
  const key = (c: Chain) =>
    c.path
      .map(({ part: id, inEnd, outEnd }) => {
        const p = byId.get(id)!;
        const code = (end: string) => p.ends.find((e) => e.id === end)!.code;
        return `${alike(p)} ${code(inEnd)} ${code(outEnd)}`;
      })
      .join(' / ');
  const groups = new Map<string, Chain[]>();
  for (const chain of chains.sort(byCost)) groups.set(key(chain), [...(groups.get(key(chain)) ?? []), chain]);
  return [...groups].map(([of, all]) => ({
    key: of,
    total: all[0]!.cost.total,
    lengths: [
      ...new Set(
        all.flatMap((c) =>
          c.path.flatMap((step) => {
            const p = byId.get(step.part)!;
            if (!p.flexible && !p.cutToLength) return [];
            const cents = step.cutLengthIn === undefined ? p.priceCents : Math.round(p.priceCents + ((p.centsPerFt ?? 0) * step.cutLengthIn) / 12);
            return [`${p.id} ${step.cutLengthIn ?? p.lengthIn} ${cents} ${q.stock === undefined || (q.stock[p.id] ?? 0) > 0}`];
          }),
        ),
      ),
    ].sort(),
  }));
}

/** A catalogue of families: a few kinds of piece, each in several lengths at prices of their own; and what is asked of it. */
function byChance(seed: number): MatchQuery & { parts: Part[] } {
  const next = chanceOf(seed * 7919);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const kinds = 4 + Math.floor(next() * 5);
  const parts: Part[] = [];
  for (let kind = 0; kind < kinds; kind++) {
    const isFlexible = next() < 0.5;
    const isCut = next() < 0.2;
    const ends = Array.from(
      { length: next() < 0.15 ? 3 : 2 },
      () => [pick(CODES), pick(['either', 'either', 'either', 'either', 'out', 'branch'])] as [string, 'either'],
    );
    const tags = ['stop', 'arrestor', 'check', 'union'].filter(() => next() < 0.3);
    const count = 1 + Math.floor(next() * (isFlexible ? 4 : 2));
    for (let n = 0; n < count; n++)
      parts.push(
        part(`${'ab'[n % 2]}${kind}-${n}`, ends, {
          flexible: isFlexible,
          cutToLength: isCut,
          lengthIn: pick([1, 12, 20, 48, 60, 90]),
          ...(isCut ? { maxLengthIn: pick([60, 600]), centsPerFt: pick([50, 100]) } : {}),
          priceCents: 100 + Math.floor(next() * 1900),
          minutes: 1 + Math.floor(next() * 9),
          tags,
        }),
      );
  }
  const stock =
    next() < 0.4 ? Object.fromEntries([...parts.map((p) => p.id), ...LOOSE.map((l) => l.code)].map((id) => [id, next() < 0.6 ? 1 : 0])) : undefined;
  return {
    from: pick(CODES),
    to: pick(CODES),
    parts,
    loose: LOOSE,
    k: pick([1, 3, 5, 50]),
    ...(next() < 0.1 ? { rejoin: pick(CODES) } : {}),
    ...(stock ? { stock } : {}),
    need: {
      water: 'cold',
      ...(next() < 0.6 ? { minLengthIn: pick([6, 15, 30]) } : {}),
      stop: next() < 0.2,
      arrestor: next() < 0.2,
      leaveOutlet: next() < 0.1,
    },
  };
}

describe('constructions', () => {
  it('are all chains grouped, with every length that stands in one, on random catalogues', () => {
    let [several, many, lengths, twins] = [0, 0, 0, 0];
    for (let seed = 1; several < CATALOGUES && seed <= CATALOGUES * 5; seed++) {
      const q = byChance(seed);
      const wanted = grouped(q);
      if (wanted.length === 0) continue;
      several++;
      const found = constructions(q);
      const k = Math.min(q.k!, wanted.length);
      if (k > 1) many++;
      const said = (of: typeof wanted) => JSON.stringify(of.slice(0, k).map((g) => [g.total.toFixed(6), g.lengths]));
      const own = found.map(({ best, lengths }) => ({ key: '', total: best.cost.total, lengths: told(lengths) }));
      if (found.some(({ lengths }) => lengths.length > 1)) lengths++;
      if (said(own) === said(wanted)) continue;
      // The same parts by other ends at the same cost: nothing says which of the two is given.
      twins++;
      assert.equal(own[0]!.total.toFixed(6), wanted[0]!.total.toFixed(6), `seed ${seed}`);
    }
    assert.ok(
      several === CATALOGUES && many > CATALOGUES / 5 && lengths > CATALOGUES / 4,
      `${several} catalogues, ${many} with several, ${lengths} with several lengths`,
    );
    assert.ok(twins <= CATALOGUES / 100, `${twins} differ by more than a twin may`);
  });
  const told = (of: ReturnType<typeof constructions>[number]['lengths']) =>
    of.map((l) => `${l.part} ${l.lengthIn} ${l.priceCents} ${l.onVan}`).sort();

  it('show a hookup once, its lengths from the shortest on', () => {
    const { parts, loose } = catalogue();
    const found = constructions({ from: 'comp-3/8-m', to: 'bc-7/8-m', parts, loose, need: { water: 'cold', minLengthIn: 8 } });
    const [first] = found;
    assert.ok(first!.lengths.length >= 3, 'a braided connector in its lengths');
    assert.deepEqual(
      first!.lengths.map((l) => l.lengthIn),
      first!.lengths.map((l) => l.lengthIn).sort((a, b) => a - b),
    );
    assert.ok(
      first!.lengths.some((l) => l.part === first!.best.parts[0]),
      'the best one’s own among them',
    );
    const names = found.map((c) => c.best.path.map((p) => p.part.replace(/-\d+$/, '')).join(' '));
    assert.equal(new Set(names).size, names.length, 'none twice');
  });
  it('have none where nothing joins', () => {
    assert.deepEqual(constructions({ from: 'comp-3/8-m', to: 'ght-3/4-m', parts: [], need: { water: 'cold' } }), []);
  });
});
