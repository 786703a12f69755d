/** What happened, in words: one telling of an entry for every screen, file and print. */
import { endLabel, type Units } from '../core/index.ts';
import type { Resolved } from './effective.ts';
import { clockOffMs, happenedAt, targetOf } from './entry.ts';
import { type Happening, happeningsOf, type Telling } from './happening.ts';
import { type Entry, kindOf } from './kinds.ts';
import { cardWords } from './run/card-words.ts';
import { acceptances, type History, ofKind } from './run/history.ts';
import { minutesWatched } from './run/joints/watched.ts';
import type { AcceptedChain } from './run/kinds/chain-accepted.ts';
import { lookBegun, roundName } from './run/kinds/look-begun.ts';
import { lookEnded } from './run/kinds/look-ended.ts';
import type { Words } from './run/now.ts';
import type { RunState } from './run/state.ts';

/** A clock that is further off than this is told. */
const TOLD_OFF_MS = 300_000;

/** Words for what the entries of a run name. `state` may be left out where the run cannot be read. */
export function describer(state: RunState | null, { all, log }: Pick<History, 'all' | 'log'>, units: Units = 'inch'): Words {
  const labels = new Map<string, string>();
  // Joints of every chain there was: by the number they had in it.
  for (const { first } of all) {
    if (first.kind !== 'chain-accepted') continue;
    for (const [i, id] of first.body.jointIds.entries()) labels.set(id, `J${first.body.chain.joints[i]?.n ?? i + 1}`);
  }
  for (const t of [...(state?.joints ?? []), ...(state?.checkPoints ?? [])]) labels.set(t.id, t.label);
  // Older acceptances kept the names; without the state they are all there is.
  const kept = Object.entries(Object.assign({}, ...acceptances({ all, log } as History).map((c) => c.body.items)) as AcceptedChain['items']);
  const items = new Map([...kept.flatMap(([id, { name }]) => (name ? [[id, name] as const] : [])), ...Object.entries(state?.itemNames ?? {})]);
  const rounds = new Map(ofKind(log, lookBegun).map((e) => [e.id, roundName(e.body.round)]));
  const begun = new Map(ofKind(log, lookBegun).map((e) => [e.id, e]));
  const watched = new Map<object, number>();
  for (const e of ofKind(log, lookEnded)) {
    const from = begun.get(e.body.begunId);
    if (from) watched.set(e.body, minutesWatched(from, e));
  }
  return {
    units,
    target: (id) => labels.get(id) ?? 'a joint of an earlier chain',
    item: (id) => items.get(id) ?? 'a part that is on record without its name',
    end: endLabelOrCode,
    ...cardWords(state?.card ?? []),
    watched: (ended) => watched.get(ended) ?? null,
    look: (id) => rounds.get(id) ?? 'a look that was taken back',
  };
}

/** By its name, with the code beside it. */
function endLabelOrCode(code: string): string {
  try {
    return `${endLabel(code)} [${code}]`;
  } catch {
    return code;
  }
}

/** Everything recorded on a run, in order, each with what became of it. */
export const happenings = (history: History, words: Words): Happening[] =>
  happeningsOf(history.all, (e) => ({ ...describeEntry(e, words), kind: e.kind }));

/** What else goes when something is taken back, in words: 'three looks', 'the work done for it'. */
export function carriedBy(history: History, newestId: string): string[] {
  const at = history.all.findIndex(({ by }) => by.id === newestId);
  const fate = history.all[at];
  if (!fate?.stands) return [];
  const { stands } = fate;
  const later = history.all.slice(at + 1).filter((f) => f.stands !== null);
  if (stands.kind === 'joint-made') {
    const next = later.findIndex((f) => f.first.kind === 'joint-made' && f.first.jointId === stands.jointId);
    return counted(later.slice(0, next === -1 ? undefined : next).filter((f) => f.first.jointId === stands.jointId));
  }
  if (stands.kind === 'look-begun') {
    return later.some((f) => f.stands?.kind === 'look-ended' && f.stands.body.begunId === stands.id) ? ['what it came to'] : [];
  }
  if (stands.kind !== 'chain-accepted') return [];
  const others = new Set(acceptances(history).flatMap((c) => (c.id === stands.id ? [] : c.body.jointIds)));
  const own = new Set(stands.body.jointIds.filter((id) => !others.has(id)));
  return counted(later.filter((f) => f.first.jointId !== null && own.has(f.first.jointId)));
}

const COUNTED: [kinds: string[], one: string, many: string][] = [
  [['joint-made'], 'joint made', 'joints made'],
  [['look-begun'], 'look', 'looks'],
  [['remedied'], 'remedy', 'remedies'],
];

const counted = (fates: Resolved<Entry>[]): string[] =>
  COUNTED.flatMap(([kinds, one, many]) => {
    const n = fates.filter((f) => kinds.includes(f.first.kind)).length;
    return n === 0 ? [] : [`${n} ${n === 1 ? one : many}`];
  });

/** One entry in words. */
export function describeEntry(entry: Entry, words: Words): Telling {
  const target = targetOf(entry);
  const off = clockOffMs(entry);
  return {
    id: entry.id,
    atMs: happenedAt(entry),
    who: target === null ? '' : words.target(target),
    what: kindOf(entry.kind)?.describe(entry.body, words) ?? `something that this program does not know (${entry.kind})`,
    clockOffMin: Math.abs(off) > TOLD_OFF_MS ? Math.round(off / 60_000) : 0,
  };
}
