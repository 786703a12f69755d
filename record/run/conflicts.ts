/** Where two devices, neither knowing of the other, decided the same thing: both are shown, and a person says which stands. */
import type { Entry, EntryOf } from '../kinds.ts';
import { acceptances, eachOf, type History } from './history.ts';
import type { Life } from './joints/joint-life.ts';
import { reopened } from './kinds/reopened.ts';
import { signedOff } from './kinds/signed-off.ts';

export interface Conflict {
  what: 'chain' | 'sign-off' | 'finding';
  /** Of a finding: the joint or check point. */
  targetId: string | null;
  /** The two, in order. Taking one back settles it. */
  entries: [string, string];
}

export function conflictsOf(history: History, lives: ReadonlyMap<string, Life>): Conflict[] {
  return [...chainConflict(history), ...signOffConflict(history), ...[...lives].flatMap(([id, life]) => findingConflict(id, life))];
}

/** The chain in force takes the place of another than the one that stood before it. */
function chainConflict(history: History): Conflict[] {
  const [before, last] = acceptances(history).slice(-2) as (EntryOf<'chain-accepted'> | undefined)[];
  if (!before || !last || replacedBy(last, history) === before.id) return [];
  return [{ what: 'chain', targetId: null, entries: [before.id, last.id] }];
}

/** The acceptance that one takes the place of, past those that were taken back. */
function replacedBy(accepted: EntryOf<'chain-accepted'>, history: History): string | null {
  let id = accepted.body.replacesId;
  for (let steps = 0; id !== null && steps < 1000; steps++) {
    const fate = history.all.find(({ first, by }) => first.id === id || by.id === id);
    if (!fate || fate.stands) return fate?.first.id ?? null;
    id = (fate.first as EntryOf<'chain-accepted'>).body.replacesId;
  }
  return null;
}

/** Signed off twice, and not reopened in between. */
function signOffConflict(history: History): Conflict[] {
  const signs = eachOf(history, signedOff).slice(-2);
  const [first, second] = signs;
  if (!first || !second || first.deviceId === second.deviceId) return [];
  const between = history.log.slice(
    history.log.findIndex((e) => e.id === first.id),
    history.log.findIndex((e) => e.id === second.id),
  );
  if (between.some((e: Entry) => e.kind === reopened.name || e.kind === 'chain-accepted')) return [];
  return [{ what: 'sign-off', targetId: null, entries: [first.id, second.id] }];
}

/** Two devices looked at the same joint at the same time, and one saw what the other did not. */
function findingConflict(targetId: string, { looks }: Life): Conflict[] {
  for (const [i, look] of looks.entries()) {
    const other = looks
      .slice(0, i)
      .find(
        (o) =>
          o.deviceId !== look.deviceId &&
          o.finding !== look.finding &&
          (o.begunId === look.begunId || (o.fromMs < look.toMs && look.fromMs < o.toMs)),
      );
    if (other) return [{ what: 'finding', targetId, entries: [other.entryId, look.entryId] }];
  }
  return [];
}
