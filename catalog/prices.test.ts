/** Prices follow size and work: nothing here is dearer for being less. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { parseEnd } from '../core/ends/code.ts';
import type { Part } from '../core/match/part.ts';
import { catalogue } from './index.ts';

const { parts, loose } = catalogue();

const inches = (text: string) => {
  const [top, bottom] = text.split('/').map(Number);
  return bottom === undefined ? top! : top! / bottom;
};
const shapeOf = (code: string) => parseEnd(code);
const sizes = (part: Part) => part.ends.map((e) => inches(shapeOf(e.code).size.replace(/x.*$/, '')));

/** Alike but for size, length, and the way a stop turns: kind, families and genders in order, material, tags, coil or piece. */
const family = (part: Part) => {
  const ends = part.ends.map((e) => {
    const end = shapeOf(e.code);
    return `${end.family}${end.kind === 'thread' ? end.gender : ''}@${e.port}`;
  });
  const tags = part.tags.filter((t) => t !== 'angle' && t !== 'straight').sort();
  return [part.kind, part.name.split(',')[0]!.replace('straight', 'angle'), ...ends, part.material, part.flexible, part.cutToLength, ...tags].join(
    ' ',
  );
};

const families = new Map<string, Part[]>();
for (const part of parts) families.set(family(part), [...(families.get(family(part)) ?? []), part]);

function twins(holds: (small: Part, big: Part) => boolean): [Part, Part][] {
  return [...families.values()].flatMap((list) => list.flatMap((a) => list.flatMap((b): [Part, Part][] => (a !== b && holds(a, b) ? [[a, b]] : []))));
}

const noSmaller = (a: number[], b: number[]) => a.every((size, i) => size <= b[i]!) && a.some((size, i) => size < b[i]!);
const sameLength = (a: Part, b: Part) => a.flexible === false || a.cutToLength || a.lengthIn === b.lengthIn;

describe('prices of the catalogue', () => {
  it('no part under its smaller twin', () => {
    const pairs = twins((a, b) => noSmaller(sizes(a), sizes(b)) && sameLength(a, b) && (a.kind !== 'nipple' || a.lengthIn === b.lengthIn));
    assert.ok(pairs.length > 60, `only ${pairs.length} pairs`);
    for (const [small, big] of pairs)
      assert.ok(big.priceCents >= small.priceCents, `${big.id} ${big.priceCents} under ${small.id} ${small.priceCents}`);
  });

  it('no part under its shorter twin', () => {
    const pairs = twins((a, b) => sizes(a).join() === sizes(b).join() && !a.cutToLength && a.lengthIn! < b.lengthIn!);
    assert.ok(pairs.length > 60, `only ${pairs.length} pairs`);
    for (const [short, long] of pairs) assert.ok(long.priceCents > short.priceCents, `${long.id} under ${short.id}`);
  });

  it('no straight stop under its angle twin', () => {
    const pairs = twins((a, b) => a.tags.includes('angle') && b.tags.includes('straight') && sizes(a).join() === sizes(b).join());
    assert.ok(pairs.length >= 8, `only ${pairs.length} pairs`);
    for (const [angle, straight] of pairs) assert.ok(straight.priceCents >= angle.priceCents, `${straight.id} under ${angle.id}`);
  });

  it('no part that stands twice', () => {
    const seen = new Map<string, string>();
    for (const p of parts) {
      const turns = p.tags.filter((t) => t === 'angle' || t === 'straight' || t.startsWith('valved:')).join();
      const ends = p.ends.map((e) => `${e.code}@${e.port}`).sort();
      const key = [...ends, turns, p.kind, p.lengthIn, p.cutToLength, p.flexible, p.tags.includes('listed-hidden'), p.material].join(' ');
      assert.equal(seen.get(key), undefined, `${p.id} is ${seen.get(key)} again`);
      seen.set(key, p.id);
    }
  });

  it('loose pieces: no larger size under a smaller one of its kind', () => {
    const byKind = new Map<string, [number, number, string][]>();
    for (const l of loose) {
      const found = /^(.*?)-?(\d+(?:\/\d+)?)(od|-[mf])?$/.exec(l.code);
      if (!found) continue;
      const kind = `${found[1]} ${found[3] ?? ''}`;
      byKind.set(kind, [...(byKind.get(kind) ?? []), [inches(found[2]!), l.priceCents, l.code]]);
    }
    for (const list of byKind.values()) {
      list.sort((a, b) => a[0] - b[0]);
      for (let i = 1; i < list.length; i++) assert.ok(list[i]![1] >= list[i - 1]![1], `${list[i]![2]} under ${list[i - 1]![2]}`);
    }
  });
});

describe('what the parts say of themselves', () => {
  it('names the materials the water touches, lead-free, and the narrowest bore', () => {
    const materials = ['brass', 'copper', 'plastic', 'stainless', 'steel', 'rubber'];
    for (const p of parts) {
      assert.ok(
        p.tags.some((t) => materials.includes(t)),
        `${p.id}: no wetted material`,
      );
      assert.equal(p.leadFree, true, p.id);
      assert.ok(p.boreIn! > 0, p.id);
    }
  });

  it('puts plastic push fittings of 3/8 OD and less to cold water, 150 psi and 140 F, and what holds polyethylene to 100 F', () => {
    for (const p of parts) {
      const small = p.ends.some((e) => /^ptc-(1\/4|5\/16|3\/8)od$/.test(e.code));
      if (small) assert.ok(p.maxPsi <= 150 && p.maxF <= 140 && p.waters.join() === 'cold', p.id);
      if (p.ends.some((e) => e.code.startsWith('pe-'))) assert.ok(p.maxF <= 100 && p.waters.join() === 'cold', p.id);
    }
  });

  it('keeps valves, checks and unions where they can be reached, and lets only tube run in a wall', () => {
    for (const p of parts) {
      if (['stop', 'check', 'union'].some((t) => p.tags.includes(t))) assert.ok(p.tags.includes('needs-access'), p.id);
      if (p.tags.includes('concealable')) assert.ok(p.cutToLength && p.flexible && !p.tags.includes('hose'), p.id);
      if (p.kind === 'connector') assert.ok(p.tags.includes('hose'), p.id);
      if (p.tags.includes('stop') && p.kind !== 'tee' && p.kind !== 'manifold') {
        assert.ok(p.tags.includes('angle') !== p.tags.includes('straight'), p.id);
      }
    }
  });
});
