/** The whole history of a joint in a line: made, looked at, put right, come back. What was taken back is not told. */
import { METHODS, ROUNDS, writeTurns } from '../../../core/index.ts';
import { happenedAt, targetOf } from '../../entry.ts';
import type { Entry } from '../../kinds.ts';
import { type History, historyOf } from '../history.ts';
import { minutesWatched, watchedWords } from '../joints/watched.ts';

export interface Chapter {
  atMs: number;
  /** 'made, 3/4 turn' */
  text: string;
  /** Worth a second look. */
  isTrouble: boolean;
}

const REMEDIES = { nudge: 'nudged', 'open-and-look': 'opened and looked at', remake: 'put right', shut: 'water shut off' } as const;

/** Of each joint and check point that something happened to, in order. */
export function storiesOf(entries: readonly Entry[], runId: string): Map<string, Chapter[]> {
  const history = historyOf(entries, runId);
  const stories = new Map<string, Chapter[]>();
  const made = new Set<string>();
  for (const entry of history.log) {
    const target = targetOf(entry);
    const text = target && chapterOf(entry, target, history, made);
    if (!text) continue;
    const story = stories.get(target) ?? [];
    story.push({ atMs: happenedAt(entry), ...text });
    stories.set(target, story);
  }
  return stories;
}

function chapterOf(entry: Entry, target: string, history: History, made: Set<string>): Omit<Chapter, 'atMs'> | null {
  if (entry.kind === 'joint-made') {
    const again = made.has(target);
    made.add(target);
    return { text: `made${again ? ' again' : ''}${entry.body.turns24 > 0 ? `, ${writeTurns(entry.body.turns24)}` : ''}`, isTrouble: false };
  }
  if (entry.kind === 'look-ended') {
    const begun = history.log.find((e) => e.id === entry.body.begunId);
    if (begun?.kind !== 'look-begun') return null;
    const { round, method } = begun.body;
    const watched = watchedWords(minutesWatched(begun, entry));
    const drops = entry.body.drops === null ? '' : `, ${entry.body.drops} drops`;
    const words = `${entry.body.finding}${drops} ${watched} ${roundName(round)}, ${METHODS[method].name}`;
    return { text: words, isTrouble: entry.body.finding !== 'dry' && entry.body.finding !== 'normal' };
  }
  if (entry.kind === 'remedied') {
    const { action, turns24 } = entry.body;
    return { text: `${REMEDIES[action]}${turns24 > 0 ? ` ${writeTurns(turns24)}` : ''}`, isTrouble: false };
  }
  if (entry.kind === 'callback-reported') return { text: `came back: ${entry.body.finding}`, isTrouble: true };
  return null;
}

const roundName = (id: string): string => ROUNDS.find((r) => r.id === id)?.name.toLowerCase() ?? id;
