/** What happened, in words: one telling of an entry for every screen, file and print. */
import { endLabel } from '../core/ends/label.ts';
import { clockOffMs, happenedAt, targetOf } from './entry.ts';
import { type Entry, kindOf } from './kinds.ts';
import { acceptances, type History, ofKind } from './run/history.ts';
import { lookBegun, roundName } from './run/kinds/look-begun.ts';
import type { Words } from './run/now.ts';
import type { RunState } from './run/state.ts';
import type { Fate } from './standing.ts';

export interface Telling {
  id: string;
  /** By a clock that can be trusted, milliseconds since 1970. */
  atMs: number;
  /** 'J2', 'Stop stem'; '' for what is said of the run. */
  who: string;
  what: string;
  /** How far the device's clock was off where that matters, minutes: more than nought when it was slow. */
  clockOffMin: number;
}

/** A clock that is further off than this is told. */
const TOLD_OFF_MS = 300_000;

/** Words for what the entries of a run name. `state` may be left out where the run cannot be read. */
export function wordsFor(state: RunState | null, { all, log }: Pick<History, 'all' | 'log'>): Words {
  const labels = new Map<string, string>();
  // Joints of every chain there was: by the number they had in it.
  for (const { first } of all) {
    if (first.kind !== 'chain-accepted') continue;
    for (const [i, id] of first.body.jointIds.entries()) labels.set(id, `J${first.body.chain.joints[i]?.n ?? i + 1}`);
  }
  for (const t of [...(state?.joints ?? []), ...(state?.checkPoints ?? [])]) labels.set(t.id, t.label);
  const items = new Map(
    acceptances({ all, log } as History)
      .flatMap((c) => Object.entries(c.body.items))
      .map(([id, item]) => [id, item.name]),
  );
  const steps = new Map((state?.card ?? []).map((step) => [step.id, step.title]));
  const rounds = new Map(ofKind(log, lookBegun).map((e) => [e.id, roundName(e.body.round)]));
  return {
    target: (id) => labels.get(id) ?? 'a joint of an earlier chain',
    item: (id) => items.get(id) ?? 'a part that is on record without its name',
    end: endLabelOrCode,
    step: (id) => steps.get(id) ?? 'a step of the card',
    look: (id) => rounds.get(id) ?? 'a look that was taken back',
  };
}

function endLabelOrCode(code: string): string {
  try {
    return endLabel(code);
  } catch {
    return code;
  }
}

/** A line of "what happened here". */
export interface Happening extends Telling {
  kind: string;
  deviceId: string;
  /** The entry to name when this is corrected or taken back. */
  newestId: string;
  /** What was said before it was corrected; null where nothing was. */
  before: string | null;
  /** Why it was taken back, when and by which device; null while it stands. */
  withdrawn: { entryId: string; reason: string; atMs: number; deviceId: string } | null;
  /** Not with the server yet. */
  isUnsent: boolean;
}

/** Everything recorded on a run, in order, each with what became of it. */
export function happenings(history: History, words: Words): Happening[] {
  return history.all.map(({ first, by, withdrawnBy }) => ({
    ...tell({ ...first, body: by.body } as Entry, words),
    kind: first.kind,
    deviceId: first.deviceId,
    newestId: by.id,
    before: by === first ? null : tell(first, words).what,
    withdrawn: withdrawnBy && {
      entryId: withdrawnBy.id,
      reason: reasonOf(withdrawnBy),
      atMs: happenedAt(withdrawnBy),
      deviceId: withdrawnBy.deviceId,
    },
    isUnsent: by.recordedAt === null || withdrawnBy?.recordedAt === null,
  }));
}

const reasonOf = (withdrawal: Entry): string => (withdrawal.body as { reason?: string }).reason ?? '';

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

const counted = (fates: Fate<Entry>[]): string[] =>
  COUNTED.flatMap(([kinds, one, many]) => {
    const n = fates.filter((f) => kinds.includes(f.first.kind)).length;
    return n === 0 ? [] : [`${n} ${n === 1 ? one : many}`];
  });

/** One entry in words. */
export function tell(entry: Entry, words: Words): Telling {
  const target = targetOf(entry);
  const off = clockOffMs(entry);
  return {
    id: entry.id,
    atMs: happenedAt(entry),
    who: target === null ? '' : words.target(target),
    what: kindOf(entry.kind)?.says(entry.body, words) ?? `something that this program does not know (${entry.kind})`,
    clockOffMin: Math.abs(off) > TOLD_OFF_MS ? Math.round(off / 60_000) : 0,
  };
}
