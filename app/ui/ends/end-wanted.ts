import { type EndCode, isEndCode, knownAppliances } from '../../../core/index.ts';

export type Side = 'from' | 'to' | 'rejoin';
/** How an end was found out, as a visit notes it. */
export type FoundBy = 'seen' | 'measured';

/** Who wants an end that is being looked up by its drawing or measured: a run of a visit, or the match bench with what it asked so far. */
export interface EndWanted {
  side: Side;
  /** The bench's question as an address asks it; empty where nothing was. */
  asked: string;
  run: { visitId: string; runId: string } | null;
  /** The appliance it is for: id in appliances.csv; null where it is not known. */
  on: string | null;
}

const UUID = /^[0-9a-f-]{36}$/;
const SIDES: Side[] = ['from', 'to', 'rejoin'];

/** Reads it from an address; what does not read is left out. */
export function endWanted(params: URLSearchParams): EndWanted {
  const [visitId, runId] = [params.get('visit') ?? '', params.get('run') ?? ''];
  return {
    side: SIDES.find((s) => s === params.get('as')) ?? 'from',
    asked: (params.get('asked') ?? '').slice(0, 1000),
    run: UUID.test(visitId) && UUID.test(runId) ? { visitId, runId } : null,
    on: knownAppliances.find((a) => a === params.get('on')) ?? null,
  };
}

/** The same as an address asks it: '/gauge?...'. */
export function lookupAddress(page: '/gauge' | '/ends', { side, asked, run, on }: EndWanted): string {
  const out = new URLSearchParams({ as: side });
  if (asked) out.set('asked', asked);
  if (on) out.set('on', on);
  if (run) {
    out.set('visit', run.visitId);
    out.set('run', run.runId);
  }
  return `${page}?${out}`;
}

/** What else an end may be, and how likely it is the one that is taken, of 1. */
export interface EndDoubt {
  share?: number | undefined;
  others: EndCode[];
}

/** Where an end goes that was found: back to who wanted it. */
export function takeEndTo({ side, asked, run }: EndWanted, code: EndCode, by: FoundBy, doubt?: EndDoubt): string {
  if (run) {
    const out = new URLSearchParams({ run: run.runId, stage: 'look', side, end: code, by });
    if (doubt?.share !== undefined) out.set('share', doubt.share.toFixed(2));
    for (const other of doubt?.others ?? []) out.append('or', other);
    return `/visits/${run.visitId}?${out}`;
  }
  const out = new URLSearchParams(asked);
  out.delete('q');
  out.set(side, code);
  return `/match?${out}`;
}

/** An end brought back to a visit by its address; null where there is none. */
export function endBrought(params: URLSearchParams): { side: Side; end: EndCode; how: FoundBy; doubt?: EndDoubt } | null {
  const [side, end] = [SIDES.find((s) => s === params.get('side')), params.get('end') ?? ''];
  if (!side || !isEndCode(end)) return null;
  const others = params.getAll('or').filter(isEndCode).slice(0, 8);
  const share = Number(params.get('share') ?? Number.NaN);
  const doubt = others.length === 0 ? {} : { doubt: { ...(share >= 0 && share <= 1 ? { share } : {}), others } };
  return { side, end, how: params.get('by') === 'measured' ? 'measured' : 'seen', ...doubt };
}
