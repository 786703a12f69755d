/** What is known already of each part of Look, in a word or two. */
import { asTyped, endName, length, type Units } from '../../../../core/index.ts';
import { type ReadRun, type RunRow, STOP_CONDITIONS } from '../../../../record/index.ts';
import type { StageProps } from '../stage-props.ts';

export const TITLES = {
  ends: 'Both ends',
  stop: 'The stop',
  oldLine: 'Old line',
  things: 'Screen, washers, place',
  place: 'Distance and place',
  water: 'Water as it comes',
  sheet: 'What its own sheet says',
  about: 'Power, drain, way out',
  before: 'Before anything is touched',
  complaints: 'Complaints',
  reuse: 'What goes on again',
  sources: 'Where the water can come from',
};

export type Part = keyof typeof TITLES;

/** The other run of a pair whose line goes: both are renewed together. */
export function pairOf(run: RunRow, others: ReadRun[]): string | undefined {
  const pair = others.find((o) => o.run.applianceName === run.applianceName && o.run.place === run.place && o.run.water !== run.water);
  return pair?.state?.oldLine?.verdict === 'replace' ? pair.run.name : undefined;
}

/** What is known of each part, in few words; null while it is asked for. */
export function knownOf({ from, to, stop, oldLine, distance, place, survey }: StageProps['state'], units: Units): Record<Part, string | null> {
  const { seen, running, bucket, hot, surroundings, baseline, hammer, symptoms } = survey;
  const looked = [seen.screen, seen.washer, seen.place].filter((s) => s !== null);
  return {
    ends: from?.end && to?.end ? `${endName(from.end)} to ${endName(to.end)}` : null,
    oldLine: oldLine && { none: 'there is none', keep: 'it stays', replace: 'it is replaced' }[oldLine.verdict],
    stop: stop && (stop.kind === 'none' ? 'no stop here' : `${stop.kind}: ${STOP_CONDITIONS[stop.condition]}`),
    place: distance && `${asTyped(distance.text, length(distance.inches), units)}${place.hidden ? ', joints hidden' : ''}`,
    things: looked.length === 0 ? '' : looked.flat().length === 0 ? 'nothing found' : `${looked.flat().length} found`,
    water: [running && 'running', bucket && 'bucket', hot && 'hot'].filter(Boolean).join(', '),
    sheet: Object.keys(survey.sheet).length === 0 ? '' : `${Object.keys(survey.sheet).length} read`,
    about: surroundings ? 'noted' : '',
    before: baseline || hammer ? 'noted' : '',
    reuse: Object.keys(survey.reuse).join(', '),
    complaints: symptoms.length === 0 ? '' : String(symptoms.length),
    sources: survey.sources.length === 0 ? '' : survey.sources.map((s) => s.name).join(', '),
  };
}
