/** Lines of the catalogue's tubes and shapes, weak and strong, and what of them is told. */
import fc from 'fast-check';
import { catalogue } from '../../catalog/index.ts';
import { tubes } from '../ends/tables/tubes.ts';
import { matchChains } from '../match/chains.ts';
import { indexParts } from '../match/search/catalogue-index.ts';
import { held, sampled } from '../testing.ts';
import { branchFlow, type Stretch } from './branch.ts';
import { frictionFactor } from './friction.ts';
import { heldGal } from './held-water.ts';
import { lineAnswer } from './line-answer.ts';
import { hosePieces, type LinePiece, linePieces, tubeName, tubePiece, usualPiece, withSteps } from './line-pieces.ts';
import { type FlowLine, operatingPoint } from './operating-point.ts';
import { fading } from './osmosis.ts';
import { runFlow } from './run-flow.ts';
import { fitSupply } from './supply.ts';
import { waterAt } from './water.ts';
import { whatHelps } from './what-helps.ts';

const { losses, parts, loose, appliances } = catalogue();
const index = indexParts(parts);
const pick = <T>(...values: T[]) => fc.constantFrom(...values);
const maybe = <T>(...values: T[]) => fc.option(pick(...values), { nil: undefined, freq: 2 });

const anyPiece: fc.Arbitrary<LinePiece[]> = fc.oneof(
  fc.tuple(pick(...tubes), pick(6, 20, 60, 300, 900)).map(([tube, lengthIn]) => [tubePiece(tube, lengthIn)]),
  pick(...losses).map((row) => [{ ...usualPiece(row), part: 0 }]),
  fc.tuple(pick(...tubes.filter((t) => t.material === 'braided')), pick(12, 60)).map(([hose, lengthIn]) => hosePieces(hose, lengthIn, 0)),
);
const anyPieces = fc.array(anyPiece, { minLength: 1, maxLength: 5 }).map((p) => p.flat());
const anySupply = fc.record({
  sourcePsi: pick(15, 40, 60, 60, 60, 72, 95, 95, 0, 2000),
  running: maybe({ gpm: 3, psi: 35 }, { gpm: 5, psi: 14 }, { gpm: 2, psi: 12 }),
  regulatorPsi: maybe(45, 60),
});
const anyLine = fc.record({
  supply: anySupply,
  tempF: pick(40, 60, 60, 60, 68, 120, 120, 140, 140, 300),
  riseFt: pick(-8, 0, 3, 25, 140),
  appliance: fc.record({ designGpm: pick(0.5, 1.75, 4), designPsi: pick(8, 20), capGpm: maybe(1.2, 2.5), maxPsi: maybe(80, 120) }),
});
type Line = Omit<FlowLine, 'pieces'>;
const lineOf = ({ supply, ...line }: { supply: object; tempF: number; riseFt: number; appliance: object }): Line =>
  JSON.parse(JSON.stringify({ ...supply, ...line })) as Line;

const anyChainRead = fc.record({
  ends: pick(
    ['comp-3/8-m', 'bc-7/8-m'],
    ['npt-1/2-m', 'comp-3/8-m'],
    ['cu-5/8od', 'comp-1/4-m'],
    ['comp-3/8-m', 'npsm-1/2-m'],
    ['ght-3/4-m', 'ght-3/4-m'],
  ),
  lengthIn: pick(14, 60),
  appliance: pick(...appliances),
  water: pick('cold' as const, 'hot' as const),
  read: fc.record({ staticPsi: maybe(30, 62, 90), runningPsi: maybe(25, 50, 70), bucket: maybe({ gallons: 2, seconds: 40 }) }, { requiredKeys: [] }),
});

held(import.meta.url, [
  ...sampled('point', fc.tuple(anyLine, anyPieces), 140, ([line, pieces]) => operatingPoint({ ...lineOf(line), pieces: withSteps(pieces) })),
  ...sampled(
    'told',
    fc.tuple(anyLine, anyPieces, fc.record({ volumeGal: pick(0, 1.6), leastCups: pick(0, 2, 8), isHot: fc.boolean() })),
    90,
    ([line, pieces, more]) => lineAnswer(lineOf(line), pieces, losses, Math.min(1, pieces.length - 1), more),
  ),
  ...sampled('helps', fc.tuple(anyLine, anyPieces), 60, ([line, pieces]) => whatHelps(lineOf(line), pieces, losses).helps),
  ...sampled('held', anyPieces, 20, (pieces) => [heldGal(pieces), withSteps(pieces).map((p) => p.k)]),
  ...sampled('run', anyChainRead, 50, ({ ends: [from, to], lengthIn, appliance, water, read }) => {
    const [chain] = matchChains({ from: from!, to: to!, parts: index, loose, k: 1, need: { water, minLengthIn: lengthIn, stop: true } }).chains;
    if (!chain) return 'nothing joins them';
    return [
      chain.parts,
      linePieces(chain.path, parts, losses),
      runFlow(appliance, water, JSON.parse(JSON.stringify(read)), chain.path, parts, losses),
    ];
  }),
  ...sampled(
    'branch',
    fc.tuple(anySupply, fc.array(fc.tuple(anyPieces, pick(0, 4), pick(0.5, 2), fc.boolean()), { minLength: 1, maxLength: 4 })),
    40,
    ([supply, taps]) => {
      const onward: Stretch[] = taps.map(([pieces, riseFt, designGpm, isNamed], i) => ({
        pieces,
        riseFt,
        appliance: { designGpm, designPsi: 8 },
        ...(isNamed ? { name: `tap ${i}` } : {}),
      }));
      return branchFlow({ ...JSON.parse(JSON.stringify(supply)), tempF: 60, branch: { pieces: [], riseFt: 2, onward } });
    },
  ),
  ...sampled('tank', fc.tuple(pick(2, 3.2, 0), pick(5, 7, 60), pick(30, 45), anyPieces), 25, ([shellGal, prechargePsi, fullPsi, pieces]) => {
    const { holdsGal, points } = fading(
      { shellGal, prechargePsi, fullPsi },
      { tempF: 60, riseFt: 1, pieces, appliance: { designGpm: 0.5, designPsi: 10 } },
    );
    return [holdsGal, points.length, points.filter((_, i) => i % 20 === 0), points.at(-1)];
  }),
  ...sampled(
    'supply',
    fc.array(fc.record({ gpm: pick(0, 1, 2, 3.5, 5), psi: pick(60, 58, 51, 40, 22) }), { minLength: 1, maxLength: 5 }),
    50,
    (readings) => fitSupply(readings),
  ),
  ...[32, 33, 60, 68, 120, 140, 211, 212, 213].map((f) => [`water at ${f} F`, () => waterAt(f)] as const),
  ...[0, 500, 2000, 2300, 2301, 3000, 3999, 4000, 4001, 1e5, 1e7].map(
    (re) => [`friction at ${re}`, () => [0, 1e-4, 0.01, 0.05].map((rough) => frictionFactor(re, rough))] as const,
  ),
  ...tubes.map((t) => [`name of ${t.id}`, () => tubeName(t)] as const),
]);
