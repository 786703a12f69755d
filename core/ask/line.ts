/** Water from somewhere to somewhere; or a leak, or a stop by itself. */
import { isOpenPipe, onlyWater, parseEnd, type Reading, readEnd, withoutPlaces } from '../ends/index.ts';
import { workFor } from '../make/index.ts';
import { CERTAIN_FROM } from './asked.ts';
import { type Demands, readDemands } from './demands.ts';
import { goesOnto } from './described.ts';
import { type Kept, keptIn, partedAt } from './keeps.ts';
import { isLeak } from './kinds.ts';
import { LINE_ALONE, notFiller, type Piece, piecesOf, wordsOf } from './pieces.ts';
import { NOTHING, type Read } from './read.ts';
import { type Mention, type Roles, rolesOf } from './roles.ts';

export function lineAsked(plain: string): Read {
  const turned = plain.replace(QUARTER_TURN, STOP_WORD.test(plain) ? ' ' : ' stop ');
  const kept = keptIn(turned.replace(POLITE, ' ').replace(ADAPTER_FOR, ' , '));
  const demands = readDemands(withoutPlaces(kept.rest));
  const pieces = piecesOf(demands.rest);
  const mentions = pieces.flatMap((p) => p.mention ?? []);
  if (isLeak(plain)) return { ...NOTHING, kind: 'leaks', to: leakAt(mentions), said: { from: '', to: plain } };
  const roles = rolesOf(mentions);
  const stop = stopAlone(roles, demands);
  if (stop) return { ...stop, said: { from: plain, to: '' }, margin: roles.margin };
  const line = lineOf(pieces, roles, demands, kept, ROUGH_IN.test(plain));
  const isNear = roles.isTurnedNext && roles.margin < CERTAIN_FROM && line.rejoin.length === 0 && !areBothPipe(line);
  return { ...line, rules: demands.rules, margin: roles.margin, ...(isNear ? { turned: { from: line.to, to: line.from } } : {}) };
}

/** Of two pipes neither is the water side more than the other. */
const areBothPipe = ({ from, to }: Read): boolean => [from, to].every(([best]) => best !== undefined && isOpenPipe(best.end));

/** 'a stop for half inch pex' */
function stopAlone({ from, to }: Roles, { need, rules, unread }: Demands): Read | null {
  // 'an angle stop, 1/2 sweat': by its own inlet, or the pipe it goes on.
  const own = !to && from && (need.stop || STOP_WORD.test(from.text)) ? from.readings.flatMap(inletOf) : [];
  if (own.length > 0) return { ...NOTHING, kind: 'part', from: own, need: { ...need, stop: true }, rules, unread };
  const isForStop = from ? from.isBareStop : need.stop === true;
  if (!isForStop || !to || !isOpenPipe(to.readings[0]!.end)) return null;
  return { ...NOTHING, kind: 'part', from: to.readings, need: { ...need, stop: true }, rules, unread };
}

/** What the inlet of a stop goes on: its cup or push end on a tube; [] of anything but those and pipe. */
const inletOf = (reading: Reading, _: number, all: readonly Reading[]): Reading[] => {
  // The best reading decides what is spoken of: '3/8 angle stop' is its outlet, whatever else it may be.
  if (parseEnd(all[0]!.end).kind === 'thread') return [];
  return parseEnd(reading.end).kind === 'socket' ? goesOnto(reading, 'inlet') : isOpenPipe(reading.end) ? [reading] : [];
};

function lineOf(pieces: readonly Piece[], roles: Roles, demands: Demands, kept: Kept, isRough: boolean): Read {
  const sideSaid = (m: Mention | null) => pieces.find((p) => m !== null && p.mention === m)?.side ?? null;
  const [a, b] = [sideSaid(roles.from), sideSaid(roles.to)];
  const found = a?.readings ?? [];
  const { from, rejoin } = sourceOf(roles, kept, found);
  // 'I need 1/4 compression for an ice maker': which of its inlets.
  const inlets = roles.to?.isAppliance ? roles.to.readings.map((r) => r.end) : [];
  const refined = roles.rest.find((m) => m.readings.some((r) => inlets.includes(r.end)));
  const inlet = [...(refined?.readings.filter((r) => inlets.includes(r.end)) ?? []), ...(b?.readings ?? [])];
  const stubs = isRough && inlet[0]?.appliance ? stubsOf(inlet[0].appliance) : [];
  const to = stubs.length > 0 ? stubs : inlet;
  // No appliance stands in a wall: there the pipe does that it is fed from.
  const isHidden = demands.isInWall && to.length > 0 && !roles.to?.isFed;
  // A line of polyethylene would do for cold water, and not for what a dishwasher takes.
  const isHot = to[0]?.appliance !== undefined && onlyWater(to[0].appliance) === 'hot';
  const hasStop = roles.rest.some((m) => m.isBareStop);
  const unused = pieces.flatMap(({ side, mention }) => {
    if (side === a || side === b || LINE_ALONE.test(side.said)) return [];
    if (mention === null) return side.unread;
    return mention.isBareStop || mention === refined ? [] : notFiller(wordsOf(side.said));
  });
  return {
    ...NOTHING,
    kind: to.length + from.length === 0 ? 'unclear' : stubs.length > 0 ? 'rough' : 'chain',
    from,
    to,
    rejoin,
    need: {
      ...(hasStop ? { stop: true } : {}),
      ...(isHot ? { water: 'hot' as const } : {}),
      ...demands.need,
      ...(isHidden ? { reachable: false } : {}),
    },
    unread: [...(a?.unread ?? []), ...unused, ...(b?.unread ?? []), ...demands.unread],
    said: { from: a?.said ?? '', to: b?.said ?? '' },
    notes: pieces.flatMap(({ side }) => side.notes),
  };
}

/** Where the water comes from, and what is joined again: a fixture that something else is fed from keeps its water. */
function sourceOf({ from, to }: Roles, kept: Kept, found: Reading[]): { from: Reading[]; rejoin: Reading[] } {
  if (kept.fixture !== null) return partedAt(kept, from?.isFixture ? [] : found);
  if (!from?.isFixture || !to) return { from: found, rejoin: [] };
  return partedAt(
    {
      rest: '',
      fixture: from.readings[0]!.appliance === 'toilet' ? 'toilet' : 'sink',
      atStop: /\b(?:stop|valve|shut ?-?off|supply)\b/i.test(from.text),
    },
    [],
  );
}

/** Where it is wet: the appliance that was named, else an end of one. */
function leakAt(mentions: readonly Mention[]): Reading[] {
  const named = mentions.filter((m) => !m.isBareStop);
  const at = named.find((m) => m.isAppliance) ?? named.find((m) => m.isFed) ?? named[0];
  const appliance = at && /\bfill ?-?valve\b/i.test(at.text) ? 'toilet' : at?.readings[0]?.appliance;
  return appliance ? readEnd(appliance.replaceAll('-', ' ')) : (at?.readings ?? []);
}

/** A rough-in is capped at its stubs: nothing joins the appliance before its visit. */
function stubsOf(appliance: string): Reading[] {
  const stubs = workFor(appliance).find((kind) => kind.stubs.length > 0)?.stubs ?? [];
  return stubs.map((end) => ({ end, why: 'a rough-in ends at capped stubs', appliance }));
}

/** What is joined later: it ends at stubs. */
const ROUGH_IN = /\brough(?:ed|ing)?[- ]?in\b/i;

/** 'an adapter for A to B': A is where it begins. */
const ADAPTER_FOR = /(?<=\b(?:adapt[eo]r|fitting|coupling|connector|part|piece)s?)\s+for\b(?=.*\s(?:to|->)\s)/i;

/** 'to' that joins nothing: 'I need to', 'push to connect' is a fitting. */
const POLITE =
  /\b(?:need|needs|want|wants|have|has|had|how|going|trying|try|like|used|got|way|able|what|where|something|anything|fitting|piece|part)\s+to\b|\bup(?=\s+to\b)|\bclose to\b|\bnext to\b/gi;
const QUARTER_TURN = /\bquarter[- ]turn\b/gi;
const STOP_WORD = /\b(?:stop|valve|shut ?-?off)s?\b/i;
