/** What the tasks of a connection follow from, as a run leaves it. */

import type { LineKindId } from '../../core/index.ts';
import { shortName, type TaskFacts } from '../../core/index.ts';
import type { RunState } from './state.ts';

const YEAR_MS = 365.25 * 86_400_000;

/** Metals that braid, copper line and fittings are made of: a hose without one is all rubber. */
const METALS = ['brass', 'stainless', 'copper'];

/** Null while the work was never signed off: nothing is due before it is done. */
export function taskFactsOf(state: RunState, appliance: string): TaskFacts | null {
  const doneMs = state.signedOff?.atMs ?? state.signOffUndone?.atMs ?? null;
  if (doneMs === null) return null;
  const device = state.safety.find((s) => s.body.device === 'stop-leak');
  return {
    appliance,
    doneMs,
    lines: linesOf(state, doneMs),
    stop: stopOf(state),
    insert: device ? { sinceMs: device.atMs, spares: device.body.spares ?? null } : null,
  };
}

/** The stop that was fitted, else the one that was found. */
function stopOf({ accepted, stop }: RunState): string | null {
  const fitted = accepted?.chain.parts.map((id) => accepted.items[id]).find((item) => item?.tags?.includes('stop'));
  if (fitted) return shortName(fitted.name);
  return stop && stop.kind !== 'none' ? `${stop.kind} stop` : null;
}

/** Connectors that were fitted, new from there; where the old line stayed, that one by the age it was told. */
function linesOf({ accepted, oldLine, survey }: RunState, doneMs: number): TaskFacts['lines'] {
  const fitted = Object.values(accepted?.items ?? {}).flatMap((item) => {
    if (!item.tags?.includes('hose')) return [];
    const kind: LineKindId = item.tags.some((t) => METALS.includes(t)) ? 'braided' : 'rubber';
    return [{ kind, name: item.name, sinceMs: doneMs }];
  });
  if (fitted.length > 0 || oldLine?.verdict !== 'keep') return fitted;
  const { line, ageYears } = survey.line ?? {};
  if (!line || line === 'none' || ageYears === undefined || ageYears === null) return [];
  return [{ kind: line, name: `the ${line} line that stayed`, sinceMs: doneMs - ageYears * YEAR_MS }];
}
