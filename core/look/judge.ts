/** Keep, watch or replace: what was found at a run, judged by the catalogue's rows and the house's rules. */
import { InputError } from '../errors.ts';
import type { HouseRules } from '../house/index.ts';
import { judgeLine } from './line.ts';
import { isOn, type LookData, type UnknownRow } from './rows.ts';
import { judgeArrestor, judgeStop } from './stop.ts';
import type { Survey } from './survey.ts';
import { isUnknown } from './unknowns.ts';
import { type Judged, type Judgement, ofFindings } from './verdict.ts';
import { judgeFlow, judgeHot, judgePressure } from './water.ts';

export interface Judgements {
  judgements: Judgement[];
  /** What a replacement asks of the chain. */
  needs: { stop: boolean; arrestor: boolean; line: boolean; avoid: string[] };
  unknowns: UnknownRow[];
  /** What cannot be decided safely as it stands. */
  blocked: ('keep' | 'match' | 'make')[];
}

/**
 * What is kept, watched, replaced or told to the owner, each with its reasons; and what stays open for want of knowing it.
 *
 * @throws InputError  where the survey names a finding that there is none of, or a figure that cannot be
 */
export function judgeSurvey(survey: Survey, data: LookData, rules: Pick<HouseRules, 'connector' | 'maxAgeYears'>): Judgements {
  const findings = new Map(data.findings.map((f) => [f.id, f]));
  const found = [...(survey.line?.seen ?? []), ...(survey.stop?.seen ?? []), ...(survey.seen ?? [])].map((id) => {
    const row = findings.get(id);
    if (!row) throw new InputError('seen', id, 'Say one of the findings of the catalogue.');
    return row;
  });
  const judgements = [
    ...judgeLine(survey, found, data, rules),
    ...judgeStop(survey, found, data),
    ...judgeArrestor(survey),
    ...(['screen', 'washer', 'place'] as const).flatMap((of) => ofFindings(of, found)),
    ...judgePressure(survey),
    ...judgeFlow(survey),
    ...judgeHot(survey),
  ];
  const isReplaced = (of: Judged) => judgements.some((j) => j.of === of && j.verdict === 'replace');
  const unknowns = data.unknowns.filter((row) => isOn(row.appliances, survey.appliance.id) && isUnknown(row.fact, survey));
  return {
    judgements,
    needs: {
      line: isReplaced('line'),
      stop: isReplaced('stop') || found.some((f) => f.needs.includes('stop')),
      arrestor: isReplaced('arrestor') || found.some((f) => f.needs.includes('arrestor')),
      avoid: survey.afterOsmosis ? ['copper', 'brass'] : [],
    },
    unknowns,
    blocked: (['keep', 'match', 'make'] as const).filter((b) => unknowns.some((u) => u.blocks === b)),
  };
}
