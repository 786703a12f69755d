/** Lines, risers, coils and holes in settings of every sort. */
import fc from 'fast-check';
import { readHoleSizes, readReachPresets } from '../../catalog/reach.ts';
import { held, sampled } from '../testing.ts';
import { afterProbe, around, holeFor } from './holes.ts';
import { type HoseShape, hoseShape } from './hose-shape.ts';
import { pickLength } from './pick-length.ts';
import { riserMarks } from './riser.ts';
import { lengthQuestion, type Setting, WAYS, type Way } from './setting.ts';
import { clearanceBehind, slackCoil } from './slack-coil.ts';
import { cutList, tubeRoute } from './tube-route.ts';

const pick = <T>(...values: T[]) => fc.constantFrom(...values);
const anyEnd = fc.record(
  { x: pick(0, 3, 7.5), y: pick(0, 5, 12), headingDeg: pick(0, 45, 90, 180, -90), z: pick(0, 4), climbDeg: pick(0, 30) },
  { requiredKeys: ['x', 'y', 'headingDeg'] },
);
const anyHose = fc.record(
  {
    from: anyEnd,
    to: anyEnd,
    lengthIn: pick(9, 14, 20, 36),
    endStraightIn: pick(0, 1, 1.25),
    minBendRadiusIn: pick(1, 2, 4),
    hangs: pick({ lbPerFt: 0.1, stiffnessLbIn2: 0.5 }, { lbPerFt: 0.3, stiffnessLbIn2: 0.1 }),
    segments: pick(32, 64),
  },
  { requiredKeys: ['from', 'to', 'lengthIn', 'endStraightIn', 'minBendRadiusIn'] },
);
/** The shape is found by walking downhill: to three places it is the same everywhere. */
const round = (value: number) => Number(value.toFixed(2)) + 0;
const told = ({ points, minRadiusIn, slackIn, ...rest }: HoseShape) => [
  rest.verdict,
  rest.lengthIn,
  round(slackIn),
  Number(minRadiusIn.toPrecision(3)),
  points.length,
  points.filter((_, i) => i % Math.ceil(points.length / 4) === 0).map((p) => p.map((c) => Number(c.toFixed(1)) + 0)),
  rest.because.map((b) => b.rule),
];

const ways = Object.keys(WAYS) as Way[];
const anyMeasured = fc.record({ outIn: pick(0, 2, 5, 11), upIn: pick(3, 7, 13, 30), faces: pick(...ways) });
const anySetting: fc.Arbitrary<Setting> = fc.record({
  stop: anyMeasured,
  inlet: anyMeasured,
  sideIn: pick(0, 0, 0, 6, 6, 15, 300),
  pulledOutIn: pick(null, null, 24),
  behind: pick(null, { widthIn: 24, heightIn: 24, depthIn: 3 }),
}) as never;
const LINE = { odIn: 0.5, minBendRadiusIn: 1.5, endStraightIn: 1.25 };

const anyRiser = fc.record({
  riseIn: pick(6, 9, 14, 20, 0),
  offsetIn: pick(0, 0.02, 0.5, 1.5, -3, 8),
  insertBelowIn: pick(0.375, 0.75),
  insertAboveIn: pick(0, 0.5),
  straightBelowIn: pick(1, 2),
  straightAboveIn: pick(1, 2),
  bendRadiusIn: pick(0.5, 1.5, 3),
});
const SIZES = [
  { diameterIn: 0.5, tool: 'a bit' },
  { diameterIn: 0.75, tool: 'a spade bit' },
  { diameterIn: 1.25, tool: 'a saw' },
  { diameterIn: 2, tool: 'a larger saw' },
];
const anyPasses = fc.array(
  pick({ name: 'a tube', acrossIn: 0.25 }, { name: 'a hose', acrossIn: 0.5 }, { name: 'a nut', flatsIn: 0.6875 }, { name: 'a drain', acrossIn: 0.9 }),
  { maxLength: 4 },
);
const anyRoute = fc
  .array(fc.record({ leg: pick(4, 12, 20, 40, 12, 20, 40, 0, 4000), deg: pick(15, 45, 90), radiusIn: pick(1, 2.5, 6) }), {
    minLength: 1,
    maxLength: 4,
  })
  .map((legs) => ({ legsIn: legs.map((l) => l.leg), bends: legs.slice(1).map(({ deg, radiusIn }) => ({ deg, radiusIn })) }));
const anyCuts = fc.record({
  cuts: fc.array(pick(10, 25, 40, 60, 110), { minLength: 1, maxLength: 15 }),
  coils: fc.array(pick(30, 70, 100, 70), { maxLength: 4 }),
  newCoilIn: pick(120, 300, 90),
});

held(import.meta.url, [
  ...sampled('hose', anyHose, 60, (h) => told(hoseShape(h))),
  ...sampled('setting', fc.tuple(anySetting, pick([9, 12, 16, 20], [12, 36, 60], [20, 30])), 40, ([setting, lengthsIn]) => {
    const q = lengthQuestion(setting, LINE, lengthsIn);
    return [
      q,
      pickLength({ ...q, segments: 32 }).map((p) => [p.lengthIn, p.verdict, p.touches, p.coil, p.because.map((b) => b.rule), p.pulledOut?.verdict]),
    ];
  }),
  ...sampled('riser', anyRiser, 120, (q) => riserMarks(q)),
  ...sampled('hole', fc.tuple(anyPasses, pick(0.125, 0, 0.5)), 60, ([passes, clearance]) => [
    around(passes.map((p) => ('acrossIn' in p ? p.acrossIn! : p.flatsIn!))),
    holeFor(passes, [...SIZES].reverse(), clearance),
  ]),
  ...[[10], [10, 12], [12, 10], [10, 10], [10, 12, 24], [9, 1, 16]].map(
    ([atIn, metAtIn, bayIn], i) =>
      [
        `probe ${i}`,
        () => afterProbe({ through: 'wall', atIn: atIn!, ...(metAtIn === undefined ? {} : { metAtIn }), ...(bayIn === undefined ? {} : { bayIn }) }),
      ] as const,
  ),
  ...sampled(
    'slack',
    fc.record({
      slackIn: pick(5, 12, 20, 40, 70, 100),
      widthIn: pick(10, 24),
      heightIn: pick(8, 24),
      depthIn: pick(0.6, 2, 5),
      odIn: pick(0, 0.5),
      minBendRadiusIn: pick(1, 3),
    }),
    60,
    (c) => slackCoil(c),
  ),
  ...sampled(
    'behind',
    fc.record({ standsOutIn: pick(0, 2.1), endStraightIn: pick(0, 1.25), minBendRadiusIn: pick(1, 3), odIn: pick(0.25, 0.5), turns: pick(0, 3, 12) }),
    12,
    (c) => clearanceBehind(c),
  ),
  ...sampled(
    'route',
    fc.tuple(
      anyRoute,
      fc.record({ insertsIn: pick<[number, number]>([0.375, 0.5]), allowanceIn: pick(0, 3), minBendRadiusIn: pick(1.5) }, { requiredKeys: [] }),
    ),
    80,
    ([route, more]) => tubeRoute({ ...route, ...more }),
  ),
  ...sampled('cuts', anyCuts, 50, ({ cuts, coils, newCoilIn }) =>
    cutList(
      cuts.map((lengthIn, i) => ({ name: `cut ${i}`, lengthIn })),
      coils.map((leftIn, i) => ({ id: `coil ${i}`, leftIn })),
      newCoilIn,
    ),
  ),
  ['presets', () => [readReachPresets(), readHoleSizes()]],
]);
