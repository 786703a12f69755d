/** Whether the water that comes is within limits: standing, running, hot. */
import { finite } from '../errors.ts';
import { reason } from '../reason.ts';
import { flow, pressure, said, temperature } from '../units/index.ts';
import type { Survey } from './survey.ts';
import { type Judgement, type Weighed, worst } from './verdict.ts';

/** Above it the model codes want a pressure-reducing valve. */
const MOST_STATIC_PSI = 80;
/** Standing under it, what runs beside it is soon missed. */
const LOW_STATIC_PSI = 40;
/** Scald caution above it, F; also what a dishwasher's hot inlet is to have. */
const HOT_F = 120;

export function judgePressure({ staticPsi, appliance }: Survey): Judgement[] {
  if (staticPsi === undefined) return [];
  finite('staticPsi', staticPsi, { above: 0, atMost: 1000 });
  const of = 'pressure' as const;
  const figures = { staticPsi };
  if (staticPsi > appliance.maxStaticPsi) {
    const words = said`${pressure(staticPsi)} is more than a ${appliance.name} bears (${pressure(appliance.maxStaticPsi)}): a pressure-reducing valve first.`;
    return [{ of, verdict: 'act', because: [reason('over-appliance', words, { source: 'its sheet', figures })] }];
  }
  if (staticPsi > MOST_STATIC_PSI) {
    const words = said`Over ${pressure(MOST_STATIC_PSI)}, the model codes' limit for a house (a ${appliance.name} bears ${pressure(appliance.maxStaticPsi)}): a pressure-reducing valve; it closes the system, so expansion is looked at with it.`;
    return [{ of, verdict: 'act', because: [reason('over-code', words, { source: 'model codes', figures })] }];
  }
  if (staticPsi < appliance.minFlowPsi) {
    const words = said`${pressure(staticPsi)} standing is less than a ${appliance.name} wants while it flows (${pressure(appliance.minFlowPsi)}): it will not fill.`;
    return [{ of, verdict: 'act', because: [reason('under-appliance', words, { source: 'its sheet', figures })] }];
  }
  if (staticPsi < LOW_STATIC_PSI) {
    const words = said`${pressure(staticPsi)} standing is low (under ${pressure(LOW_STATIC_PSI)}): read it again while something runs, that decides.`;
    return [{ of, verdict: 'watch', because: [reason('low-standing', words, { source: 'trade practice', figures })] }];
  }
  return [{ of, verdict: 'keep', because: [reason('pressure-good', said`${pressure(staticPsi)} standing is within limits.`, { figures })] }];
}

/** Gallons a minute from a bucket. */
export function bucketGpm({ gallons, seconds }: { gallons: number; seconds: number }): number {
  return (finite('gallons', gallons, { above: 0, atMost: 1000 }) * 60) / finite('seconds', seconds, { above: 0, atMost: 86_400 });
}

export function judgeFlow({ runningPsi, bucket, appliance }: Survey): Judgement[] {
  const all: Weighed[] = [];
  if (runningPsi !== undefined) {
    finite('runningPsi', runningPsi, { atLeast: 0, atMost: 1000 });
    const isWeak = runningPsi < appliance.minFlowPsi;
    const words = isWeak
      ? said`${pressure(runningPsi)} while it runs is under what a ${appliance.name} wants (${pressure(appliance.minFlowPsi)}).`
      : said`${pressure(runningPsi)} while it runs is enough (${pressure(appliance.minFlowPsi)}).`;
    all.push({ verdict: isWeak ? 'act' : 'keep', because: reason(isWeak ? 'weak' : 'running-good', words, { figures: { runningPsi } }) });
  }
  if (bucket) {
    const gpm = bucketGpm(bucket);
    // A machine takes what its valve passes, whatever the code sizes its pipe for.
    const askedGpm = Math.min(appliance.designGpm, appliance.capGpm ?? appliance.designGpm);
    const isWeak = gpm < askedGpm;
    const words = said`${flow(Number(gpm.toFixed(1)))} in a bucket: ${isWeak ? 'less than' : 'enough for'} the ${flow(askedGpm)} of a ${appliance.name}.`;
    all.push({ verdict: isWeak ? 'act' : 'keep', because: reason(isWeak ? 'bucket-weak' : 'bucket-good', words, { figures: { gpm } }) });
  }
  return worst('flow', all);
}

export function judgeHot({ hotF, water, appliance }: Survey): Judgement[] {
  if (hotF === undefined || water !== 'hot') return [];
  finite('hotF', hotF, { atLeast: 32, atMost: 212 });
  const of = 'hot' as const;
  const figures = { hotF };
  if (hotF > HOT_F) {
    return [
      {
        of,
        verdict: 'tell',
        because: [
          reason(
            'scald',
            appliance.powered
              ? said`${temperature(hotF)} scalds at every tap: the owner is told. A ${appliance.name} wants it hot; no device limits it here.`
              : said`${temperature(hotF)} scalds: over ${temperature(HOT_F)} the owner is told, and a listed device limits an outlet that people use.`,
            { source: 'ASSE 1070, 1016', figures },
          ),
        ],
      },
    ];
  }
  if (appliance.id === 'dishwasher' && hotF < HOT_F - 10) {
    return [
      {
        of,
        verdict: 'watch',
        because: [
          reason('hot-low', said`A dishwasher wants about ${temperature(HOT_F)} at its inlet: ${temperature(hotF)} washes badly.`, {
            source: 'trade practice',
            figures,
          }),
        ],
      },
    ];
  }
  return [{ of, verdict: 'keep', because: [reason('hot-good', said`${temperature(hotF)} is within limits.`, { figures })] }];
}
