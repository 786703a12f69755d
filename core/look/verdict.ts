/** A verdict on one thing of a survey, with its reasons. */
import { type Reason, reason } from '../reason.ts';
import type { FindingRow } from './rows.ts';

export type Judged = 'line' | 'stop' | 'arrestor' | 'screen' | 'washer' | 'pressure' | 'flow' | 'hot' | 'place';
/** 'clean', 'tell' (the owner), 'act': neither kept nor renewed. */
export type LookVerdict = 'keep' | 'watch' | 'replace' | 'clean' | 'tell' | 'act' | 'unknown';

export interface Judgement {
  of: Judged;
  verdict: LookVerdict;
  because: Reason[];
}

export const WEIGHT: Record<LookVerdict, number> = { replace: 6, act: 5, tell: 4, clean: 3, unknown: 2, watch: 1, keep: 0 };
export interface Weighed {
  verdict: LookVerdict;
  because: Reason;
}

/** The heaviest of several, with all their reasons, the heaviest first. */
export function worst(of: Judged, all: Weighed[]): Judgement[] {
  if (all.length === 0) return [];
  const sorted = [...all].sort((a, b) => WEIGHT[b.verdict] - WEIGHT[a.verdict]);
  return [{ of, verdict: sorted[0]!.verdict, because: sorted.map((s) => s.because) }];
}

export const asSeen = (row: FindingRow): Weighed => ({
  verdict: row.verdict,
  because: reason(`seen-${row.id}`, `${sentence(row.name)}: ${row.because}`, { source: row.source }),
});

export const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

export const ofFindings = (of: FindingRow['on'], found: FindingRow[]): Judgement[] => worst(of, found.filter((f) => f.on === of).map(asSeen));
