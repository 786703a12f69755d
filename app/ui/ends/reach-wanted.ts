import * as z from 'zod/mini';
import { type Laid, laidShape, lengthIn, shortText } from '../../../record/index.ts';

const UUID = /^[0-9a-f-]{36}$/;

/** For whom a line is drawn: a run of a visit, with what was drawn before; or nobody. */
export interface ReachWanted {
  run: { visitId: string; runId: string } | null;
  /** The appliance it is for: id in appliances.csv. */
  on: string | null;
  laid: Laid | null;
}

function laidIn(text: string | null): Laid | null {
  if (text === null) return null;
  try {
    return z.parse(laidShape, JSON.parse(text));
  } catch {
    // What was not made here is not drawn.
    return null;
  }
}

export function reachWanted(params: URLSearchParams): ReachWanted {
  const [visitId, runId] = [params.get('visit') ?? '', params.get('run') ?? ''];
  return { run: UUID.test(visitId) && UUID.test(runId) ? { visitId, runId } : null, on: params.get('on'), laid: laidIn(params.get('laid')) };
}

/** The same as an address asks it. */
export function reachAddress({ run, on, laid }: ReachWanted): string {
  const out = new URLSearchParams();
  if (run) {
    out.set('visit', run.visitId);
    out.set('run', run.runId);
  }
  if (on) out.set('on', on);
  if (laid) out.set('laid', JSON.stringify(laid));
  return `/reach?${out}`;
}

/** Where a length goes that was chosen: to the run it was drawn for, else to a question of chains. */
export function takeLengthTo(run: ReachWanted['run'], text: string, laid: Laid): string {
  if (!run) return `/match?${new URLSearchParams({ length: text })}`;
  return `/visits/${run.visitId}?${new URLSearchParams({ run: run.runId, stage: 'look', len: text, laid: JSON.stringify(laid) })}`;
}

const broughtShape = z.object({ text: shortText, inches: lengthIn, laid: laidShape });

/** A length brought back to a visit by its address; null where there is none. */
export function lengthBrought(params: URLSearchParams, read: (text: string) => number | null): z.output<typeof broughtShape> | null {
  const text = params.get('len') ?? '';
  const found = z.safeParse(broughtShape, { text, inches: read(text), laid: laidIn(params.get('laid')) });
  return found.success ? found.data : null;
}
