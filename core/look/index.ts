export { type Cause, causesOf } from './causes.ts';
export { type Judgements, judgeSurvey } from './judge.ts';
export { mayReuse } from './reuse.ts';
export { type AgeRow, type FindingRow, isOn, type LookData, type OnAppliances } from './rows.ts';
export { compareSources, type SourceCandidate, type SourceOption, type SourceQuestion, type SourcesCompared } from './sources.ts';
export type { Stop, Survey } from './survey.ts';
export type { Judged, Judgement, LookVerdict, Urgency } from './verdict.ts';
export { bucketGpm } from './water.ts';
