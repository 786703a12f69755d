/** Plans, steps, windows and drawings on networks by chance. */
import { held } from '../testing.ts';
import { branchesOf, folded, within } from './branches.ts';
import { knownNetwork } from './known.ts';
import { brokenLinks, missing, type NetValve, STANDING, VALVE_CONDITIONS, VALVE_KINDS, type WaterNetwork } from './network.ts';
import { planIsolation } from './plan-isolation.ts';
import { schematicOf } from './schematic.ts';
import { backSteps, shutSteps } from './steps.ts';
import { byChance, chanceOf } from './testing.ts';
import { distrust } from './trust.ts';
import { losing, wetPlaces } from './wet.ts';
import { joinWindows } from './windows.ts';

/** With names and what stands there, on some of its places. */
function house(seed: number): WaterNetwork {
  const next = chanceOf(seed);
  const net = byChance(next, { places: 6 + (seed % 14), valves: 3 + (seed % 9), loops: seed % 3 });
  return {
    ...net,
    places: net.places.map((p, i) => ({
      ...p,
      ...(i % 4 === 1 ? { name: `the ${p.kind} ${i}` } : {}),
      ...(p.kind === 'junction' && next() < 0.15 ? { stands: STANDING[i % STANDING.length]! } : {}),
    })),
    valves: net.valves.map((v, i) => (i % 3 === 0 ? { ...v, name: `the valve ${i}` } : v)),
  };
}
const workOn = (net: WaterNetwork, seed: number) => [
  net.places[1 + (seed % (net.places.length - 1))]!.id,
  ...(seed % 5 === 0 ? [net.valves[0]!.id] : []),
];
const seeds = (count: number) => Array.from({ length: count }, (_, i) => i + 1);

const FAULTS: Record<string, Partial<WaterNetwork>> = {
  'no id': { places: [{ id: '', kind: 'outlet', heightFt: 0 }] },
  twice: {
    places: [
      { id: 'a', kind: 'source', heightFt: 0 },
      { id: 'a', kind: 'outlet', heightFt: Number.NaN },
    ],
  },
  'to nowhere': { places: [{ id: 'a', kind: 'source', heightFt: 0 }], pipes: [{ id: 'p', a: 'a', b: 'b', boreIn: 0.5, lengthFt: 1 }] },
  'to itself': { places: [{ id: 'a', kind: 'source', heightFt: 0 }], pipes: [{ id: 'p', a: 'a', b: 'a', boreIn: 0.5, lengthFt: 1 }] },
  ...Object.fromEntries(
    [
      [0, 1],
      [24, 1],
      [24.1, 1],
      [1, -1],
      [1, 0],
      [1, 10_000],
      [1, 10_001],
    ].map(([boreIn, lengthFt]) => [
      `pipe ${boreIn} ${lengthFt}`,
      {
        places: [
          { id: 'a', kind: 'source', heightFt: 0 },
          { id: 'b', kind: 'outlet', heightFt: 0 },
        ],
        pipes: [{ id: 'p', a: 'a', b: 'b', boreIn, lengthFt }],
      } as Partial<WaterNetwork>,
    ]),
  ),
  'no source': { places: [{ id: 'a', kind: 'outlet', heightFt: 0 }] },
};

held(import.meta.url, [
  ...seeds(120).map(
    (seed) =>
      [
        `plan ${seed}`,
        () => {
          const net = house(seed);
          const job = { workOn: workOn(net, seed), ...(seed % 4 === 0 ? { struckOut: [net.valves[seed % net.valves.length]!.id] } : {}) };
          const plan = planIsolation(net, job);
          return plan.possible ? [plan, shutSteps(net, plan), backSteps(net, plan), losing(net, plan, job.struckOut)] : plan;
        },
      ] as const,
  ),
  ...seeds(60).map(
    (seed) =>
      [
        `steps ${seed}`,
        () => {
          const net = house(seed);
          const plan = planIsolation(net, { workOn: workOn(net, seed) });
          return plan.possible
            ? [...shutSteps(net, plan), ...backSteps(net, plan)]
                .map((s) => [s.do, s.title, s.detail.text, s.gate])
                .join(' | ')
                .slice(-400)
            : 'none';
        },
      ] as const,
  ),
  ...seeds(40).map(
    (seed) =>
      [
        `drawn ${seed}`,
        () => {
          const branches = branchesOf(house(seed));
          const few = folded(branches, new Set([`p${seed % 6}`, 'v1']), seed % 2 ? 'room' : 'branch');
          return [
            schematicOf(branches),
            [...few.folds],
            few.roots.map((r) => [...within(r)].map((b) => [b.place.id, b.depth, b.isHot])),
            schematicOf(few),
          ];
        },
      ] as const,
  ),
  ...seeds(30).map(
    (seed) =>
      [
        `missing ${seed}`,
        () => {
          const net = house(seed);
          return [
            missing(net),
            brokenLinks(net),
            [
              ...wetPlaces(
                net,
                net.valves.slice(0, 2).map((v) => v.id),
              ),
            ].length,
            [
              ...wetPlaces(
                net,
                [],
                net.valves.map((v) => v.id),
              ),
            ].length,
          ];
        },
      ] as const,
  ),
  ...Object.entries(FAULTS).map(
    ([name, fault]) =>
      [
        `fault, ${name}`,
        () => {
          const net = { places: [], pipes: [], valves: [], ...fault };
          return [brokenLinks(net), brokenLinks(net).length === 0 ? missing(net) : []];
        },
      ] as const,
  ),
  ...seeds(25).map(
    (seed) =>
      [
        `windows ${seed}`,
        () => {
          const net = house(seed + 40);
          const next = chanceOf(seed);
          const jobs = Array.from({ length: 1 + (seed % 4) }, (_, i) => {
            const minutes = 20 + Math.floor(next() * 60);
            return {
              id: `job ${i}`,
              workOn: workOn(net, seed + i),
              minutes,
              slowMinutes: minutes + Math.floor(next() * 40),
              ...(next() < 0.3 ? { from: 600 } : {}),
              ...(next() < 0.3 ? { to: 780 } : {}),
            };
          });
          let parts = 0;
          return [
            joinWindows(net, jobs, { from: 480, to: 960 }, seed % 2 ? [{ from: 560, to: 640 }] : [], () => {
              parts += 1;
            }),
            parts > 0,
          ];
        },
      ] as const,
  ),
  ...VALVE_KINDS.flatMap((kind) =>
    VALVE_CONDITIONS.map((condition) => [`distrust of a ${kind} that is ${condition}`, () => distrust({ kind, condition })] as const),
  ),
  ...VALVE_CONDITIONS.flatMap((condition) =>
    (['cold', 'hot'] as const).map(
      (water) =>
        [
          `known ${condition} ${water}`,
          () => {
            const stop = { kind: 'multi-turn' as const, condition: condition as NetValve['condition'] };
            const net = knownNetwork([
              { id: 'a', name: 'the faucet', water, stop, mixesAt: 'x' },
              { id: 'b', name: 'its hot side', water: 'hot', stop: null, mixesAt: 'x' },
              { id: 'c', name: 'the tank', water: 'cold', stop: { kind: 'none', condition: 'works' }, mixesAt: null },
            ]);
            return [net, planIsolation(net, { workOn: ['inlet a'] })];
          },
        ] as const,
    ),
  ),
]);
