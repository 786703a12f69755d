/** The water of a premises as it was drawn and tried: places with heights, pipes, valves; by entries on the premises. */
import * as z from 'zod/mini';
import {
  inletOf,
  type KnownRun,
  knownNetwork,
  type NetValve,
  PLACE_KINDS,
  STANDING,
  type StopKind,
  stopOf,
  VALVE_CONDITIONS,
  VALVE_KINDS,
  type WaterNetwork,
} from '../../core/index.ts';
import { change } from '../book/subject.ts';
import { resolved } from '../effective.ts';
import { happenedAt } from '../entry.ts';
import type { Entry } from '../kinds.ts';
import { reasonWords } from '../reasons.ts';
import { givenReason, name, uuid } from '../shapes.ts';
import type { Premises, WaterThing } from './states.ts';

const thingId = z.string('wants an id').check(z.minLength(1, 'wants an id'), z.maxLength(60, 'is longer than 60 characters'));
const figure = (low: number, high: number) =>
  z.number('wants a number').check(z.gte(low, `is less than ${low}`), z.lte(high, `is more than ${high}`));

const drawnPlace = z.strictObject({
  what: z.literal('place'),
  id: thingId,
  kind: z.enum(PLACE_KINDS, 'is no kind of place'),
  /** Over any level that the whole house is measured from. */
  heightFt: figure(-1000, 3000),
  name: z.optional(name),
  /** What stands there and wants its own hand when the water goes. */
  stands: z.optional(z.enum(STANDING, 'is nothing that stands on a line')),
  /** The run whose inlet it is. */
  runId: z.optional(uuid),
});
const drawnPipe = z.strictObject({
  what: z.literal('pipe'),
  id: thingId,
  a: thingId,
  b: thingId,
  boreIn: figure(0.05, 24),
  lengthFt: figure(0, 10_000),
  water: z.optional(z.enum(['cold', 'hot'], 'is neither cold nor hot')),
});
const drawnValve = z.strictObject({
  what: z.literal('valve'),
  id: thingId,
  a: thingId,
  b: thingId,
  kind: z.enum(VALVE_KINDS, 'is no kind of valve'),
  condition: z.enum(VALVE_CONDITIONS, 'is no condition of a valve'),
  name: z.optional(name),
  /** The run whose stop it is: what is tried on one is known of the other. */
  runId: z.optional(uuid),
});

export const waterThing = z.discriminatedUnion('what', [drawnPlace, drawnPipe, drawnValve], 'is neither a place, a pipe nor a valve');

/** As much as is drawn of one premises, and in one entry. */
const MOST_THINGS = 2000;
export const MOST_AT_ONCE = 200;

const waterDrawn = z.strictObject({
  things: z.array(waterThing).check(z.minLength(1, 'draws nothing'), z.maxLength(MOST_AT_ONCE, `draws more than ${MOST_AT_ONCE}`)),
});
const valveTried = z.strictObject({ valve: thingId, condition: z.enum(VALVE_CONDITIONS, 'is no condition of a valve') });
const waterGone = z.strictObject({
  things: z.array(thingId).check(z.minLength(1, 'takes nothing away'), z.maxLength(MOST_AT_ONCE, `names more than ${MOST_AT_ONCE}`)),
  reason: givenReason,
});

const premisesChange = change<Premises>();
const isLink = (thing: WaterThing): thing is Extract<WaterThing, { a: string }> => thing.what !== 'place';
const nameOfThing = (thing: WaterThing): string => ('name' in thing && thing.name ? thing.name : thing.id);

/** The things after some were drawn: each in its place, new ones behind. */
function withDrawn(now: readonly WaterThing[], things: readonly WaterThing[]): WaterThing[] {
  const all = new Map(now.map((t) => [t.id, t]));
  for (const thing of things) all.set(thing.id, thing);
  return [...all.values()];
}

/** A link whose place is gone is gone with it. */
function withoutGone(now: readonly WaterThing[], ids: readonly string[]): WaterThing[] {
  const gone = new Set(ids);
  return now.filter((t) => !gone.has(t.id) && !(isLink(t) && (gone.has(t.a) || gone.has(t.b))));
}

/** What is said of the water of a premises. */
export const waterChanges = {
  'water-drawn': premisesChange({
    shape: waterDrawn,
    holds: ({ body }, now) => {
      const all = withDrawn(now?.water ?? [], body.things);
      const places = new Set(all.flatMap((t) => (t.what === 'place' ? [t.id] : [])));
      const lost = body.things.filter(isLink).find((t) => !places.has(t.a) || !places.has(t.b));
      if (lost) return { rule: 'to-nowhere', why: `"${nameOfThing(lost)}" leads to a place that is not drawn: draw the place first.` };
      const odd = body.things.filter(isLink).find((t) => t.a === t.b);
      if (odd) return { rule: 'to-itself', why: `"${nameOfThing(odd)}" begins where it ends.` };
      return all.length > MOST_THINGS ? { rule: 'too-much', why: `More than ${MOST_THINGS} things are drawn here: take some away first.` } : null;
    },
    apply: (now, { things }, entry) => {
      const at = happenedAt(entry);
      const before = new Map(now.water.map((t) => [t.id, t]));
      // Drawn again under another name it was not tried again.
      const dated = things.map((t) => {
        const was = before.get(t.id);
        if (t.what !== 'valve') return t;
        return { ...t, triedMs: was?.what === 'valve' && was.condition === t.condition ? (was.triedMs ?? at) : at };
      });
      return { ...now, water: withDrawn(now.water, dated) };
    },
    says: ({ things }) =>
      things.length === 1 ? `drawn: ${things[0]!.what} ${nameOfThing(things[0]!)}` : `drawn: ${things.length} things of the water`,
  }),
  'valve-tried': premisesChange({
    shape: valveTried,
    holds: ({ body }, now) =>
      now?.water.some((t) => t.what === 'valve' && t.id === body.valve) ? null : { rule: 'no-valve', why: 'That valve is not drawn here.' },
    apply: (now, { valve, condition }, entry) => ({
      ...now,
      water: now.water.map((t) => (t.what === 'valve' && t.id === valve ? { ...t, condition, triedMs: happenedAt(entry) } : t)),
    }),
    says: ({ valve, condition }) => `valve ${valve}: ${condition.replaceAll('-', ' ')}`,
  }),
  'water-gone': premisesChange({
    shape: waterGone,
    apply: (now, { things }) => ({ ...now, water: withoutGone(now.water, things) }),
    says: ({ things, reason }) => `taken out of the water: ${things.join(', ')} (${reasonWords(reason)})`,
  }),
};

/** Without when it was tried: a file and a new drawing say how things are. */
export function asDrawn(thing: WaterThing): WaterThing {
  if (thing.what !== 'valve') return thing;
  const { triedMs: _, ...drawn } = thing;
  return drawn;
}

/** Stops as they were tried on runs, by the entries of visits. */
export function triedIn(entries: readonly Entry[]): TriedStop[] {
  const tried = resolved(entries.filter((e) => e.kind === 'stop-tried' || e.kind === 'withdrawn')).flatMap(({ stands }) =>
    stands?.kind === 'stop-tried' ? [stands] : [],
  );
  return tried.flatMap(({ runId, body: { kind, condition }, ...e }) =>
    kind === 'none' ? [] : [{ runId, kind, condition, atMs: happenedAt(e as (typeof tried)[number]) }],
  );
}

/** A stop as it was last tried on a run. */
export interface TriedStop {
  runId: string;
  kind: StopKind;
  condition: NetValve['condition'];
  atMs: number;
}

/** The network as it stands: a valve that is a run's stop is as whichever of the two was tried later. */
export function networkOf(things: readonly WaterThing[], stops: readonly Omit<TriedStop, 'kind'>[] = []): WaterNetwork {
  const byRun = new Map<string, Omit<TriedStop, 'kind'>>();
  for (const stop of stops) if (stop.condition !== 'unknown' && stop.atMs >= (byRun.get(stop.runId)?.atMs ?? 0)) byRun.set(stop.runId, stop);
  const net: WaterNetwork = { places: [], pipes: [], valves: [] };
  for (const thing of things) {
    if (thing.what === 'place') {
      const { what: _, runId: __, ...place } = thing;
      net.places.push(place as WaterNetwork['places'][number]);
    } else if (thing.what === 'pipe') {
      const { what: _, water: __, ...pipe } = thing;
      net.pipes.push(pipe);
    } else {
      const { what: _, runId, triedMs = 0, ...valve } = thing;
      const tried = runId === undefined ? undefined : byRun.get(runId);
      // What nobody tried on the drawing is as it was tried on the run, whenever that was.
      const condition = tried && (valve.condition === 'unknown' || tried.atMs > triedMs) ? tried.condition : valve.condition;
      net.valves.push({ ...valve, condition } as WaterNetwork['valves'][number]);
    }
  }
  return net;
}

/** What is known of a house before it is drawn, as a drawing to go on from: its main valve, its heater, its runs with their stops. */
export function knownThings(runs: readonly KnownRun[]): WaterThing[] {
  const net = knownNetwork(runs);
  const runOf = new Map(runs.flatMap((r) => [[inletOf(r.id), r.id] as const, [stopOf(r.id), r.id] as const]));
  const run = (id: string) => (runOf.has(id) ? { runId: runOf.get(id)! } : {});
  const hot = new Set(net.pipes.flatMap((p) => (p.a === 'heater' ? [p.id] : [])));
  return [
    ...net.places.map((p) => ({ what: 'place' as const, ...p, ...run(p.id) })),
    ...net.pipes.map((p) => ({ what: 'pipe' as const, ...p, water: hot.has(p.id) ? ('hot' as const) : ('cold' as const) })),
    ...net.valves.map((v) => ({ what: 'valve' as const, ...v, ...run(v.id) })),
  ];
}
