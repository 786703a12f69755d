import { useMemo } from 'react';
import { pressure, quantityWords, SURGE_LIMIT_PSI } from '../../../../core/index.ts';
import { surveyOf } from '../../../../record/index.ts';
import { useUnits } from '../../../ui/units/index.ts';
import { readSetting, settingOf } from '../../flow/setting.ts';
import { hammerAsked } from '../../hammer/asked.ts';
import { useHammer } from '../../hammer/use-hammer.ts';
import { flowLink } from '../flow-link.ts';
import type { StageProps } from '../stage-props.ts';

/** What the pressure comes to when this run's valve snaps shut: beside what one hears. Of a valve that shuts slowly nothing is said. */
export function BangHere({ run, context, state, catalogue, visitId }: Pick<StageProps, 'run' | 'context' | 'state' | 'catalogue' | 'visitId'>) {
  const units = useUnits();
  const { staticPsi } = surveyOf(context, state);
  const path = state.accepted?.chain.path ?? null;
  const href = flowLink('hammer', {
    visitId,
    runId: run.id,
    appliance: context.appliance,
    water: run.water,
    staticPsi,
    survey: state.survey,
    path,
  });
  const isFast = context.appliance.fastClosing !== 'no';
  const question = useMemo(() => {
    if (!isFast) return null;
    const { searchParams } = new URL(href, 'http://here');
    const setting = settingOf(Object.fromEntries(searchParams), catalogue.appliances);
    const { read } = readSetting(setting, catalogue.appliances, catalogue.losses, catalogue.parts);
    const asked = read && hammerAsked(setting, read).asked;
    return asked ? { ...asked.question, frames: 0, seconds: 0.3 } : null;
  }, [isFast, href, catalogue]);
  const { both } = useHammer(question, true);
  if (!both || !question) return null;
  const { peakPsi } = both.cushioned ?? both.bare;
  return (
    <p className={peakPsi > SURGE_LIMIT_PSI ? 'caution mt-2' : 'mt-2'}>
      Reckoned, with thirty feet of the house’s pipe: when it shuts the pressure comes to <b>{quantityWords(pressure(Math.round(peakPsi)), units)}</b>
      {peakPsi > SURGE_LIMIT_PSI ? `, over ${quantityWords(pressure(SURGE_LIMIT_PSI), units)}` : ''}. <a href={href}>What would soften it</a>
    </p>
  );
}
