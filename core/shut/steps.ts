/** A plan of isolation as it is done: what goes off first, what is closed, where it drains, how it is proved; and the way back. */
import { type Said, said, volume } from '../units/index.ts';
import { type NetPlace, type NetValve, nameOf, type Standing, type WaterNetwork } from './network.ts';
import { OUTLET_WORDS, outletKindOf } from './outlets.ts';
import type { PossiblePlan } from './plan-isolation.ts';
import { losing, offBy, wetPlaces } from './wet.ts';

export type ShutDo =
  | 'energy-off'
  | 'close'
  | 'vent'
  | 'drain'
  | 'relieve'
  | 'mind'
  | 'prove'
  | 'shut-drain'
  | 'open'
  | 'air-out'
  | 'screens'
  | 'energy-on';

/** One thing to do, at a place or a valve of the network. */
export interface ShutStep {
  do: ShutDo;
  at: string;
  title: string;
  detail: Said;
  /** Answered yes before the work goes on. */
  gate?: string;
}

/** More than this wants a hose: a bucket holds it no more, gal. */
const BUCKET_GAL = 4;
/** Less than this runs away unseen, gal. */
const NOTHING_GAL = 0.05;

/** How a valve is shut, by its kind; one that nobody ever tried is not forced. */
const SHUT: Partial<Record<NetValve['kind'], string>> = {
  'quarter-turn': 'Handle across the pipe.',
  'multi-turn': 'Clockwise until it stops, by hand.',
  gate: 'Clockwise until it stops, slowly: a gate seldom holds to the last drop.',
  saddle: 'Clockwise, gently: its needle seldom holds.',
  street: 'By its key, and often by the utility alone: call them. A stop in the curb is never forced. Water running: their emergency line, at once.',
};
const OPEN: Partial<Record<NetValve['kind'], string>> = {
  'quarter-turn': 'A little, until the sound of filling stops; then all the way.',
  'multi-turn': 'A little, until the sound of filling stops; then all the way and half a turn back.',
  gate: 'A little, until the sound of filling stops; then all the way and half a turn back.',
  saddle: 'A little, until the sound of filling stops; then all the way.',
  street: 'A little, by whoever may turn it, until the sound of filling stops; then all the way.',
};

/** Hot water that stands in a heater, as most are. */
const HEATER_OFF = 'Electric: its breaker. Gas: to pilot or off. Without water it burns out.';
const HEATER_OPEN = said`It stays joined to the work: ${volume(40)} to ${volume(80)} of hot water can come out. Let it cool first; a hose to a drain, a hot outlet open for the air. Its relief valve only if there is none: it may not seat again.`;
const TANK =
  'It stays joined to the work, and pushes: leave that open until the flow stops and the pressure reads nought. Its charge of air remains. A well tank gives far more than an expansion tank: a hose.';

const STANDS_OFF: Record<Standing, { title: string; detail: string; back: string }> = {
  'booster pump': { title: 'Pump off', detail: 'It loses its water: dry, it wears its seal.', back: 'Only when water stands at it without air.' },
  'recirculation pump': {
    title: 'Pump off',
    detail: 'Its loop loses its water or stands still.',
    back: 'Only when its loop runs full and without air.',
  },
  'reverse-osmosis tank': {
    title: 'Close and relieve the tank',
    detail: 'Its valve shut, its own tap open until nothing comes: it pushes water back into the line.',
    back: 'Open its valve; the first tankful goes away.',
  },
  'well pump': {
    title: 'Breaker of the pump off',
    detail: 'Before anything is shut or drained: it would start as the pressure falls, or run against a shut valve.',
    back: 'When every valve is open again; it runs until its tank is up.',
  },
};

const stoodAt = (stands: Standing | undefined): string | undefined => (stands === undefined ? undefined : STANDS_OFF[stands].detail);

/** What stands in the part without water and wants its own hand. */
function standing(net: WaterNetwork, plan: PossiblePlan): (NetPlace & { stands: Standing })[] {
  if (!net.places.some((p) => p.stands !== undefined)) return [];
  const wet = wetPlaces(net, offBy(plan));
  const isTold = (p: NetPlace) => (p.stands === 'well pump' ? plan.pumpsOff.includes(p.id) : !wet.has(p.id) && !plan.relieve.includes(p.id));
  return net.places.filter((p): p is NetPlace & { stands: Standing } => p.stands !== undefined && isTold(p));
}

/** What is done to get there, in order. */
export function shutSteps(net: WaterNetwork, plan: PossiblePlan): ShutStep[] {
  const find = finder(net);
  const { drainAt, volumeGal, residualGal } = plan;
  const ventAt = find.vented(plan.ventAt);
  const bucket = volumeGal > BUCKET_GAL ? 'a hose to a drain' : 'a bucket';
  const step = (what: ShutDo, at: string, title: string, detail: Said, gate?: string): ShutStep => ({
    do: what,
    at,
    title,
    detail,
    ...(gate ? { gate } : {}),
  });
  return [
    ...standing(net, plan).map((p) =>
      step('energy-off', p.id, `${STANDS_OFF[p.stands].title}: ${p.name ?? p.stands}`, said`${STANDS_OFF[p.stands].detail}`),
    ),
    ...plan.energyOff.map((id) => step('energy-off', id, `Energy off: ${find.name(id)}`, said`${HEATER_OFF}`)),
    ...plan.close.map((id) => {
      const valve = find.valve(id)!;
      const untried = valve.condition === 'unknown' ? ' Never tried: no force, and know the next valve first.' : '';
      return step('close', id, `Close ${nameOf(valve)}`, said`${SHUT[valve.kind] ?? ''}${untried}`);
    }),
    ...(ventAt === null ? [] : [step('vent', ventAt, find.opened(ventAt), said`Air comes in there, so that it drains.`)]),
    step(
      'drain',
      drainAt,
      find.opened(drainAt),
      volumeGal < NOTHING_GAL ? said`Hardly anything comes out.` : said`About ${volume(volumeGal)} comes out: ${bucket}.`,
    ),
    ...plan.relieve.map((id) => step('relieve', id, `Relieve ${find.name(id)}`, said`${stoodAt(find.stands(id)) ?? TANK}`)),
    ...plan.heatersOpen.map((id) => step('mind', id, `Hot water stands in ${find.name(id)}`, HEATER_OPEN)),
    ...(residualGal < NOTHING_GAL
      ? []
      : [
          step(
            'mind',
            drainAt,
            'Some stays above the work',
            said`${volume(residualGal)} stands above the work and below the drain: it comes out at the joint. A towel and a bucket.`,
          ),
        ]),
    step(
      'prove',
      drainAt,
      `Prove it dead at ${find.name(drainAt)}`,
      said`${find.still(drainAt)} It runs on: a valve passes. Say which, and the plan goes on to the next.`,
      `Has ${find.name(drainAt)} stopped running, and stayed so for a minute?`,
    ),
  ];
}

/** And back again: filled slowly from the lowest valve up, the air let out at the top, energy last. */
export function backSteps(net: WaterNetwork, plan: PossiblePlan): ShutStep[] {
  const find = finder(net);
  const height = (id: string) => find.heightFt(find.valve(id)!.a);
  const byHeight = [...plan.close].sort((a, b) => height(a) - height(b));
  const ventAt = find.vented(plan.ventAt);
  const top = ventAt ?? plan.drainAt;
  const air = find.air(top);
  const isAerated = [plan.drainAt, top, ...losing(net, plan)].some(find.hasAerator);
  return [
    {
      do: 'shut-drain',
      at: plan.drainAt,
      title: find.closed(plan.drainAt),
      detail: said`${ventAt === null ? 'Not quite: the air leaves there.' : `Leave ${find.name(ventAt)} open: the air leaves there.`}`,
    },
    ...byHeight.map((id): ShutStep => {
      const valve = find.valve(id)!;
      return { do: 'open', at: id, title: `Open ${nameOf(valve)} slowly`, detail: said`${OPEN[valve.kind] ?? ''}` };
    }),
    {
      do: 'air-out',
      at: top,
      title: air.title,
      detail: said`${air.detail} Then every other outlet that was dry, the lowest first.`,
    },
    {
      do: 'screens',
      at: top,
      title: isAerated ? 'Clean aerators and inlet screens' : 'Clean inlet screens',
      detail: said`What came loose sits in them.`,
    },
    ...standing(net, plan).map(
      (p): ShutStep => ({ do: 'energy-on', at: p.id, title: `On again: ${p.name ?? p.stands}`, detail: said`${STANDS_OFF[p.stands].back}` }),
    ),
    ...plan.energyOff.map(
      (id): ShutStep => ({
        do: 'energy-on',
        at: id,
        title: `Energy on: ${find.name(id)}`,
        detail: said`Only when a hot outlet behind it runs full and without air.`,
      }),
    ),
  ];
}

function finder({ places, valves }: WaterNetwork) {
  const byId = new Map(places.map((p) => [p.id, p]));
  const valveById = new Map(valves.map((v) => [v.id, v]));
  const name = (id: string) => nameOf(byId.get(id) ?? valveById.get(id) ?? { id });
  const isOutlet = (id: string) => byId.get(id)?.kind === 'outlet';
  const words = (id: string) => OUTLET_WORDS[isOutlet(id) ? outletKindOf(byId.get(id)!) : 'open'];
  return {
    valve: (id: string) => valveById.get(id),
    name,
    opened: (id: string) => (isOutlet(id) ? words(id).open(name(id)) : `Loosen the joint at ${name(id)} over a bucket`),
    closed: (id: string) => (isOutlet(id) ? words(id).close(name(id)) : `Join ${name(id)} again`),
    air: (id: string) => words(id).air(name(id)),
    still: (id: string) => words(id).still,
    hasAerator: (id: string) => isOutlet(id) && words(id).hasAerator,
    /** A machine is no place to let air in. */
    vented: (id: string | null) => (id !== null && isOutlet(id) && outletKindOf(byId.get(id)!) === 'machine' ? null : id),
    stands: (id: string) => byId.get(id)?.stands,
    heightFt: (id: string) => byId.get(id)?.heightFt ?? 0,
  };
}
