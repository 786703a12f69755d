/** Whether the stop and the arrestor that are there may stay. */
import { InputError } from '../errors.ts';
import { reason } from '../reason.ts';
import type { FindingRow, LookData } from './rows.ts';
import type { Survey } from './survey.ts';
import { asSeen, type Judgement, type LookVerdict, type Weighed, worst } from './verdict.ts';

export function judgeStop({ stop }: Survey, found: FindingRow[], { stops }: LookData): Judgement[] {
  const seen: Weighed[] = found.filter((f) => f.on === 'stop').map(asSeen);
  if (!stop) return worst('stop', seen);
  if (stop.kind === 'none') {
    const none = reason('no-stop', 'No stop is there: every appliance gets its own, within reach.', { source: 'trade practice: stops' });
    return worst('stop', [...seen, { verdict: 'replace', because: none }]);
  }
  if (stop.kind === 'saddle') {
    const row = reason('saddle', 'A saddle valve weeps and clogs: the pipe is cut out at its hole and joined with a piece.', {
      source: 'trade practice: stops',
    });
    return worst('stop', [...seen, { verdict: 'replace', because: row }]);
  }
  // A gate by a fixture seldom holds when it is wanted.
  if (stop.kind === 'gate' && (stop.condition === 'works' || stop.condition === 'unknown')) {
    const words = 'A gate as a fixture’s stop: it seldom holds to the last drop, and less each time. Renewed with the next work on it.';
    seen.push({ verdict: 'watch', because: reason('gate-stop', words, { source: 'trade practice' }) });
  }
  const row = stops.find((s) => s.condition === stop.condition);
  if (!row) throw new InputError('stop.condition', stop.condition, 'Say what it did when it was tried.');
  return worst('stop', [...seen, { verdict: row.verdict, because: reason(`stop-${row.condition}`, row.because, { source: row.source }) }]);
}

export function judgeArrestor({ arrestor, appliance }: Survey): Judgement[] {
  if (!arrestor) return [];
  const { kind, bangs } = arrestor;
  const as = (verdict: LookVerdict, rule: string, words: string, source = 'trade practice: water hammer') =>
    worst('arrestor', [{ verdict, because: reason(rule, words, { source }) }]);
  if (bangs) return as('replace', ...BANGS[kind]);
  if (kind !== 'none') return as('keep', 'quiet', 'It is quiet: it stays.');
  if (appliance.fastClosing !== 'yes') return as('keep', 'quiet', 'Nothing bangs.');
  if (bangs === undefined) return as('unknown', 'not-heard', `A ${appliance.name} shuts fast: listen to it shut before deciding.`);
  const words = `Nothing bangs, but a ${appliance.name} shuts fast and the model codes want an arrestor there; how far that is enforced differs: ask the local code.`;
  return as('watch', 'arrestor-by-code', words, 'model codes');
}

/** Why it bangs, by what is there. */
const BANGS: Record<NonNullable<Survey['arrestor']>['kind'], [rule: string, words: string]> = {
  none: ['bangs-bare', 'It bangs and has none: one goes within 6 ft of the valve that shuts.'],
  'air-chamber': ['bangs-chamber', 'Its air has gone into the water: draining fills it once more; an arrestor keeps its charge.'],
  arrestor: ['bangs-arrestor', 'It bangs with an arrestor on: the charge is gone, or it sits too far off.'],
};
