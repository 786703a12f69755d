/** Following the pipe: what comes next from a place, as it is said of the premises. */

import { v7 as newId } from 'uuid';
import { type NetPipe, type NetPlace, type NetValve, readLengthIn, type WaterNetwork } from '../../../core/index.ts';
import type { WaterThing } from '../../../record/index.ts';

type Place = Extract<WaterThing, { what: 'place' }>;
type Pipe = Extract<WaterThing, { what: 'pipe' }>;
type Valve = Extract<WaterThing, { what: 'valve' }>;

const place = (kind: NetPlace['kind'], heightFt: number, more: Partial<Place> = {}): Place => ({
  what: 'place',
  id: newId(),
  kind,
  heightFt,
  ...more,
});
const pipe = (a: string, b: string, { boreIn, lengthFt }: Run): Pipe => ({ what: 'pipe', id: newId(), a, b, boreIn, lengthFt });
const valve = (a: string, b: string, kind: NetValve['kind'], condition: NetValve['condition'], more: Partial<Valve> = {}): Valve => ({
  what: 'valve',
  id: newId(),
  a,
  b,
  kind,
  condition,
  ...more,
});

export interface Run {
  boreIn: number;
  lengthFt: number;
}

/** What was drawn, and the place from which the pipe is followed next. */
export interface Drawn {
  things: WaterThing[];
  at: string;
}

/** Where the water comes in, and the valve that shuts it all. */
export function begun(source: 'street' | 'well'): Drawn {
  const from = place('source', 0, source === 'well' ? { name: 'The well', stands: 'well pump' } : { name: 'The street' });
  const [before, behind] = [place('junction', 0), place('junction', 0)];
  return {
    things: [
      from,
      before,
      behind,
      pipe(from.id, before.id, { boreIn: 0.785, lengthFt: 10 }),
      valve(before.id, behind.id, 'gate', 'unknown', { name: 'Main valve' }),
    ],
    at: behind.id,
  };
}

/** A valve, right there: the line goes on behind it. */
export function withValve(at: NetPlace, kind: NetValve['kind'], condition: NetValve['condition'], name: string): Drawn {
  const behind = place('junction', at.heightFt);
  return { things: [behind, valve(at.id, behind.id, kind, condition, name ? { name } : {})], at: behind.id };
}

/** The line goes on to a place from which others leave, up or down. */
export function withLine(at: NetPlace, run: Run, upFt: number, kind: NetPlace['kind'] = 'junction', name = ''): Drawn {
  const to = place(kind, at.heightFt + upFt, name ? { name } : {});
  return { things: [to, pipe(at.id, to.id, run)], at: to.id };
}

/** A pipe to what is drawn already. */
export const withPipe = (at: NetPlace, to: string, run: Run): Drawn => ({ things: [pipe(at.id, to, run)], at: to });

/** An outlet, by its stop where it has one; the pipe is followed on from where it leaves. */
export function withOutlet(
  at: NetPlace,
  name: string,
  run: Run,
  upFt: number,
  stop: [NetValve['kind'], NetValve['condition']] | null,
  runId: string | null,
): Drawn {
  const of = runId ? { runId } : {};
  const outlet = place('outlet', at.heightFt + upFt, { name, ...of });
  if (!stop) return { things: [outlet, pipe(at.id, outlet.id, run)], at: at.id };
  const before = place('junction', outlet.heightFt);
  return { things: [before, outlet, pipe(at.id, before.id, run), valve(before.id, outlet.id, ...stop, { name: `${name}: stop`, ...of })], at: at.id };
}

/** A valve found in a pipe that is drawn: the pipe is parted there. */
export function partedBy(
  net: WaterNetwork,
  id: string,
  kind: NetValve['kind'],
  condition: NetValve['condition'],
  name: string,
): { things: WaterThing[]; valve: string } {
  const found = net.pipes.find((p) => p.id === id)!;
  const height = (of: string) => net.places.find((p) => p.id === of)!.heightFt;
  const middle = (height(found.a) + height(found.b)) / 2;
  const [before, behind] = [place('junction', middle), place('junction', middle)];
  const half = found.lengthFt / 2;
  const made = valve(before.id, behind.id, kind, condition, name ? { name } : {});
  const first: NetPipe = { ...found, b: before.id, lengthFt: half };
  return {
    things: [before, behind, { what: 'pipe', ...first }, pipe(behind.id, found.b, { boreIn: found.boreIn, lengthFt: half }), made],
    valve: made.id,
  };
}

/** Feet, as typed: '12', '12 ft', '3 m'; null where it is no length. */
export function readFeet(text: string): number | null {
  const bare = /^\s*-?\d+(\.\d+)?\s*$/.test(text);
  if (bare) return Number(text);
  const down = text.trim().startsWith('-');
  const inches = readLengthIn(down ? text.trim().slice(1) : text);
  return inches === null ? null : ((down ? -1 : 1) * Math.round((inches / 12) * 100)) / 100;
}
