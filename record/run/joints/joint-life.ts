/** What happened to each joint and check point, in order: made, opened, moved, looked at. */
import { type Finding, METHODS, type Method, type Round } from '../../../core/index.ts';
import type { Resolved } from '../../effective.ts';
import { happenedAt, targetOf } from '../../entry.ts';
import type { Entry, EntryOf } from '../../kinds.ts';
import { type JointPlace, sharesEnd, sharesPart } from './joint-place.ts';
import { minutesWatched } from './watched.ts';

export type Trouble = Exclude<Finding, 'dry' | 'normal'>;

/** A look that was ended, and still counts. */
export interface EndedLook {
  round: Round;
  method: Method;
  dropMl: number;
  /** Watched, minutes; what another look at the same target watched at the same time is not counted twice. */
  waitMin: number;
  finding: 'dry' | Trouble;
  deviceId: string;
  /** The entry that ended it, and the one that began it. */
  entryId: string;
  begunId: string;
  fromMs: number;
  toMs: number;
}

/** A joint or check point as what happened leaves it. */
export interface Life {
  made: boolean;
  /** The making that first took the parts it joins; null where it was never made, or every making was withdrawn. */
  firstMade: EntryOf<'joint-made'> | null;
  /** When it was made last. */
  madeMs: number | null;
  /** Since it was made last, nudges among them; in 24ths. */
  turns24: number;
  nudges: number;
  /** Remedies of any kind, the water shut off not counted. */
  remedies: number;
  /** Looks that still count: since it was last made, opened or moved. */
  looks: EndedLook[];
  /** Looks begun and not ended. */
  open: EntryOf<'look-begun'>[];
  /** Not dealt with yet; null when there is none. */
  trouble: { finding: Trouble; look: EndedLook } | null;
}

interface Living extends Life {
  place: JointPlace | null;
  wasMade: boolean;
  begun: Map<string, EntryOf<'look-begun'>>;
  /** Its making was withdrawn: what was seen and done at it since counts no more, until it is made again. */
  carriedOff: boolean;
}

/**
 * Follows every joint and check point through what happened.
 *
 * A look counts while its joint is made and as long as nothing disturbs it: the joint made anew, a remedy on it or one that moved it, another
 * joint made on the same end, or a joint first made on a part it sits on. A finding voids earlier looks and stands until a remedy follows.
 *
 * @param places where each joint sits; a joint that is not named is of no chain that stands
 * @param points check points: they are there without being made
 * @param pointsFrom index of the first of `history` that counts for check points
 */
export function livesOf(
  history: readonly Resolved<Entry>[],
  places: ReadonlyMap<string, JointPlace>,
  points: string[],
  pointsFrom: number,
): Map<string, Life> {
  const lives = new Map<string, Living>();
  for (const [id, place] of places) lives.set(id, born(place));
  for (const id of points) lives.set(id, { ...born(null), made: true });
  for (const [i, { first, stands }] of history.entries()) {
    const target = targetOf(first);
    const life = target === null ? undefined : lives.get(target);
    if (!life || (first.checkPointId !== null && i < pointsFrom)) continue;
    if (first.kind === 'joint-made') life.carriedOff = stands === null;
    if (stands === null || (life.carriedOff && stands.kind !== 'joint-made')) continue;
    happen(life, stands, lives);
  }
  return lives;
}

const born = (place: JointPlace | null): Living => ({
  place,
  made: false,
  firstMade: null,
  madeMs: null,
  wasMade: false,
  turns24: 0,
  nudges: 0,
  remedies: 0,
  looks: [],
  open: [],
  trouble: null,
  begun: new Map(),
  carriedOff: false,
});

function happen(life: Living, entry: Entry, lives: Map<string, Living>): void {
  if (entry.kind === 'joint-made') make(life, entry, lives);
  if (entry.kind === 'remedied') remedy(life, entry, lives);
  if (entry.kind === 'look-begun' && life.made) {
    if (entry.body.round === 'put-back') for (const other of lives.values()) liftTissue(other);
    life.begun.set(entry.id, entry);
    life.open.push(entry);
  }
  if (entry.kind === 'look-ended') endLook(life, entry);
}

function make(life: Living, entry: EntryOf<'joint-made'>, lives: Map<string, Living>): void {
  const { place } = life;
  for (const other of lives.values()) {
    if (other === life || !place || !other.place) continue;
    if (sharesEnd(place, other.place)) {
      disturb(other);
      other.made = false;
    } else if (!life.wasMade && sharesPart(place, other.place)) disturb(other);
  }
  disturb(life);
  Object.assign(life, {
    made: true,
    wasMade: true,
    firstMade: life.firstMade ?? entry,
    madeMs: happenedAt(entry),
    turns24: entry.body.turns24,
    nudges: 0,
  });
}

function remedy(life: Living, { body }: EntryOf<'remedied'>, lives: Map<string, Living>): void {
  disturb(life);
  for (const id of body.movedJointIds) {
    const moved = lives.get(id);
    if (moved) disturb(moved);
  }
  if (body.action !== 'shut') life.remedies += 1;
  if (body.action !== 'nudge') return;
  life.turns24 += body.turns24;
  life.nudges += 1;
}

/** The appliance was pushed home: its line moved, and a tissue left under a joint before says nothing any more. A stem is not moved by it. */
function liftTissue(life: Living): void {
  if (life.place === null) return;
  for (const look of life.open.filter((l) => l.body.left && l.body.round !== 'put-back')) life.begun.delete(look.id);
  life.open = life.open.filter((l) => life.begun.has(l.id));
}

/** What was seen before says nothing of it now; a look under way has lost its meaning. */
function disturb(life: Living): void {
  life.looks = [];
  life.open = [];
  life.begun.clear();
  life.trouble = null;
}

function endLook(life: Living, ended: EntryOf<'look-ended'>): void {
  const begun = life.begun.get(ended.body.begunId);
  if (!begun) return;
  const again = life.looks.some((l) => l.begunId === begun.id);
  life.open = life.open.filter((l) => l.id !== begun.id);
  const { finding } = ended.body;
  // A normal discharge says nothing of the joint: it neither proves nor voids.
  if (finding === 'normal') return;
  const minutes = minutesWatched(begun, ended);
  const fromMs = happenedAt(begun);
  const look: EndedLook = {
    round: begun.body.round,
    method: begun.body.method,
    dropMl: METHODS[begun.body.method].dropMl,
    waitMin: minutes,
    finding,
    deviceId: ended.deviceId,
    entryId: ended.id,
    begunId: begun.id,
    fromMs,
    toMs: fromMs + minutes * 60_000,
  };
  if (finding === 'dry') {
    // The same look ended by two devices, and two looks at the same time, saw the same minutes.
    look.waitMin = again ? 0 : notSeenYet(look, life.looks);
  } else {
    life.trouble = { finding, look };
  }
  life.looks.push(look);
}

/** Minutes of a look that no other dry look at the target has counted. */
function notSeenYet(look: EndedLook, others: EndedLook[]): number {
  const before = others
    .filter((o) => o.finding === 'dry' && o.waitMin > 0)
    .map((o) => [Math.max(o.fromMs, look.fromMs), Math.min(o.toMs, look.toMs)] as const)
    .filter(([from, to]) => to > from)
    .sort((a, b) => a[0] - b[0]);
  let counted = 0;
  let upTo = look.fromMs;
  for (const [from, to] of before) {
    counted += Math.max(0, to - Math.max(from, upTo));
    upTo = Math.max(upTo, to);
  }
  return Math.max(0, look.waitMin - counted / 60_000);
}
