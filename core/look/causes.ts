/** From what a customer complains of to what causes it, and where to look next. */
import { InputError } from '../errors.ts';
import type { Judgements } from './judge.ts';
import type { LookData } from './rows.ts';
import type { Survey } from './survey.ts';

export interface Cause {
  symptom: string;
  name: string;
  cause: string;
  lookAt: string;
  /** What of the survey points to it. */
  pointedBy: string[];
}

/** Facts of a survey in the words by which the rows of symptoms point to them. */
function factsOf(survey: Survey, { judgements }: Judgements): Set<string> {
  const facts = new Set<string>();
  for (const { of, verdict } of judgements) facts.add(`${of}:${verdict}`);
  if (survey.arrestor) facts.add(`arrestor:${survey.arrestor.kind}`);
  if (survey.appliance.fastClosing === 'yes') facts.add('fast-closing');
  if (survey.afterOsmosis) facts.add('after-osmosis');
  if (survey.seen?.includes('debris')) facts.add('screen:debris');
  const because = judgements.flatMap((j) => j.because.map((b) => b.rule));
  if (because.includes('over-code') || because.includes('over-appliance')) facts.add('pressure:high');
  if (['under-appliance', 'weak', 'bucket-weak'].some((rule) => because.includes(rule))) facts.add('pressure:weak');
  return facts;
}

/**
 * Causes of the symptoms, those first that most of what was found points to; else in the order in which they are met.
 *
 * A cause that an appliance alone can have is left out for every other.
 *
 * @throws InputError  for a symptom that the catalogue has not
 */
export function causesOf(survey: Survey, judged: Judgements, { symptoms }: LookData): Cause[] {
  const facts = factsOf(survey, judged);
  return (survey.symptoms ?? []).flatMap((symptom) => {
    const rows = symptoms.filter((row) => row.symptom === symptom);
    if (rows.length === 0) throw new InputError('symptom', symptom, 'Say one of the symptoms of the catalogue.');
    return rows
      .filter((row) => row.points.every((p) => !p.startsWith('appliance:')) || row.points.includes(`appliance:${survey.appliance.id}`))
      .map((row) => ({
        symptom,
        name: row.name,
        cause: row.cause,
        lookAt: row.lookAt,
        pointedBy: row.points.filter((p) => !p.startsWith('appliance:') && facts.has(p)),
      }))
      .sort((a, b) => b.pointedBy.length - a.pointedBy.length);
  });
}
