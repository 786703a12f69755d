/** What happened, in words: one telling of an entry for every screen, file and print. */
import { endLabel } from '../core/ends/label.ts';
import { clockOffMs, happenedAt, targetOf } from './entry.ts';
import { type Entry, kindOf } from './kinds.ts';
import { ofKind } from './run/history.ts';
import { lookBegun, roundName } from './run/kinds/look-begun.ts';
import type { Words } from './run/now.ts';
import type { RunState } from './run/state.ts';

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
export function wordsFor(state: RunState | null, log: readonly Entry[]): Words {
  const labels = new Map([...(state?.joints ?? []), ...(state?.checkPoints ?? [])].map((t) => [t.id, t.label]));
  const steps = new Map((state?.card ?? []).map((step) => [step.id, step.title]));
  const rounds = new Map(ofKind(log, lookBegun).map((e) => [e.id, roundName(e.body.round)]));
  return {
    target: (id) => labels.get(id) ?? 'a joint of an earlier chain',
    item: (id) => state?.accepted?.items[id]?.name ?? id,
    end: endLabelOrCode,
    step: (id) => steps.get(id) ?? 'a step of the card',
    look: (id) => rounds.get(id) ?? 'look',
  };
}

function endLabelOrCode(code: string): string {
  try {
    return endLabel(code);
  } catch {
    return code;
  }
}

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
