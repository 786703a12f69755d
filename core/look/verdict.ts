/** A verdict on one thing of a survey, with its reasons. */
import { type Reason, reason } from '../reason.ts';
import type { FindingRow } from './rows.ts';

export type Judged = 'line' | 'stop' | 'arrestor' | 'screen' | 'washer' | 'pressure' | 'flow' | 'hot' | 'place';
/** 'clean', 'tell' (the owner), 'act': neither kept nor renewed. */
export type LookVerdict = 'keep' | 'watch' | 'replace' | 'clean' | 'tell' | 'act' | 'unknown';

/** How soon what is replaced is: now, with this visit, or with it because the house does it so. */
export type Urgency = 'now' | 'visit' | 'house';

export interface Judgement {
  of: Judged;
  verdict: LookVerdict;
  /** Of what is replaced. */
  urgency?: Urgency;
  because: Reason[];
}

export const WEIGHT: Record<LookVerdict, number> = { replace: 6, act: 5, tell: 4, clean: 3, unknown: 2, watch: 1, keep: 0 };
export interface Weighed {
  verdict: LookVerdict;
  urgency?: Urgency;
  because: Reason;
}

const URGENCY: readonly Urgency[] = ['now', 'visit', 'house'];

/** The heaviest of several, with all their reasons, the heaviest first. */
export function worst(of: Judged, all: Weighed[]): Judgement[] {
  if (all.length === 0) return [];
  const sorted = [...all].sort((a, b) => WEIGHT[b.verdict] - WEIGHT[a.verdict]);
  const { verdict } = sorted[0]!;
  const because = sorted.map((s) => s.because);
  if (verdict !== 'replace') return [{ of, verdict, because }];
  const said = sorted.filter((s) => s.verdict === 'replace').map((s) => s.urgency ?? 'visit');
  return [{ of, verdict, urgency: URGENCY.find((u) => said.includes(u))!, because }];
}

export const asSeen = (row: FindingRow): Weighed => ({
  verdict: row.verdict,
  ...(row.when ? { urgency: row.when } : {}),
  because: reason(`seen-${row.id}`, `${sentence(row.name)}: ${row.because}`, { source: row.source }),
});

export const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

export const ofFindings = (of: FindingRow['on'], found: FindingRow[]): Judgement[] => worst(of, found.filter((f) => f.on === of).map(asSeen));
