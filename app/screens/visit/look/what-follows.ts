import type { Judgement, LookVerdict } from '../../../../core/index.ts';
import type { Bodies } from '../../../../record/index.ts';

/** What is judged, as it is called. */
export const OF: Record<Judgement['of'], string> = {
  line: 'Old line',
  stop: 'Stop',
  arrestor: 'Hammer',
  screen: 'Inlet screen',
  washer: 'Washer',
  pressure: 'Pressure',
  flow: 'Flow',
  hot: 'Hot water',
  place: 'Place',
};

/** By shape and word. */
export const VERDICTS: Record<LookVerdict, { mark: string; name: string }> = {
  replace: { mark: '●', name: 'replace' },
  act: { mark: '▲', name: 'to be put right' },
  tell: { mark: '▲', name: 'tell the owner' },
  clean: { mark: '◇', name: 'clean' },
  unknown: { mark: '?', name: 'not known' },
  watch: { mark: '◐', name: 'watch' },
  keep: { mark: '○', name: 'may stay' },
};

/** What a person decided of the old line; null while nobody did. */
export type OldLine = Bodies['old-line-judged']['verdict'] | null;

/** What follows from all that was found, and from what was decided of the old line, in few words; null before anything is judged. */
export function whatFollows(judgements: readonly Pick<Judgement, 'of' | 'verdict'>[], decided: OldLine): string | null {
  // Who decides knows more than the rules: it is their word that the chain and the card go by.
  const isReplaced = decided === 'replace' && judgements.every((j) => j.of !== 'line' || j.verdict !== 'replace');
  const rest = judgements.filter((j) => j.verdict !== 'keep' && !(isReplaced && j.of === 'line'));
  const told = [
    ...(isReplaced ? [`${OF.line}: ${VERDICTS.replace.name}, as decided`] : []),
    ...rest.map((j) => `${OF[j.of]}: ${VERDICTS[j.verdict].name}`),
  ];
  if (told.length > 0) return told.join(', ');
  return judgements.length === 0 ? null : 'nothing to be done';
}
