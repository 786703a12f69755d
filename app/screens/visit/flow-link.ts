/** The address of the flow or the hammer of a run: its appliance, its chain, and what was read there. */
import type { Appliance, PathStep } from '../../../core/index.ts';
import type { SurveyFacts } from '../../../record/index.ts';
import { chainText, settingQuery, usualSetting } from '../flow/setting.ts';

interface Of {
  visitId: string;
  runId: string;
  appliance: Pick<Appliance, 'id' | 'closesMs' | 'usualLine' | 'water'>;
  water: 'cold' | 'hot';
  staticPsi: number | undefined;
  survey: Pick<SurveyFacts, 'running' | 'bucket' | 'hammer'>;
  path: readonly PathStep[] | null;
}

export function flowLink(page: 'flow' | 'hammer', { visitId, runId, appliance, water, staticPsi, survey, path }: Of): string {
  const { running, bucket, hammer } = survey;
  const isMeasured = running !== null && bucket !== null;
  const setting = {
    ...usualSetting(appliance),
    water,
    // Read at the place: the house's pipe is in the reading. A wave still runs in it.
    ...(page === 'flow' ? { house: '', rise: '0' } : { rise: '0' }),
    ...(staticPsi === undefined ? {} : { psi: String(staticPsi) }),
    ...(isMeasured ? { running: String(running.psi), runningGpm: ((bucket.gallons * 60) / bucket.seconds).toFixed(2) } : {}),
    ...(path ? { chain: chainText(path) } : {}),
    ...(hammer?.there === 'arrestor' ? { cushion: 'arrestor' as const } : {}),
    ...(hammer?.there === 'air-chamber' ? { cushion: 'chamber' as const } : {}),
    visit: visitId,
    run: runId,
  };
  return `/${page}?${settingQuery(setting, [appliance])}`;
}
