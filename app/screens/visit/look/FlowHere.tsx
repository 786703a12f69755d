import { flow, InputError, operatingPoint, pressure, quantityWords, withSteps } from '../../../../core/index.ts';
import { surveyOf } from '../../../../record/index.ts';
import { useUnits } from '../../../ui/units/index.ts';
import { readSetting, usualSetting } from '../../flow/setting.ts';
import { flowLink } from '../flow-link.ts';
import type { StageProps } from '../stage-props.ts';

/** What the pressures read here would give the appliance: through its chain once there is one, else through a usual line. */
export default function FlowHere({
  run,
  context,
  state,
  catalogue,
  visitId,
}: Pick<StageProps, 'run' | 'context' | 'state' | 'catalogue' | 'visitId'>) {
  const units = useUnits();
  const { staticPsi, runningPsi, bucket, appliance } = surveyOf(context, state);
  if (staticPsi === undefined) return null;
  const path = state.accepted?.chain.path ?? null;
  const own = { ...context.appliance, ...appliance };
  const gets = path ? (catalogue.flowOf?.(own, run.water, { staticPsi, runningPsi, bucket }, path)?.point ?? null) : usual();
  /** A stop and line as such an appliance usually has them, of the catalogue's figures. */
  function usual() {
    const { read } = readSetting({ ...usualSetting(own), house: '', rise: '0', psi: String(staticPsi) }, [own], catalogue.losses, []);
    try {
      return read ? operatingPoint({ ...read.line, pieces: withSteps(read.pieces) }) : null;
    } catch (fault) {
      // A reading that no main has: the place where it was written down says so.
      if (fault instanceof InputError) return null;
      throw fault;
    }
  }
  if (!gets) return null;
  const href = flowLink('flow', {
    visitId,
    runId: run.id,
    appliance: own,
    water: run.water,
    staticPsi,
    survey: state.survey,
    path,
  });
  return (
    <p className={gets.verdict === 'enough' ? '' : 'caution'}>
      Through {path ? 'its chain' : 'a usual line'} it gets <b>{quantityWords(flow(gets.gpm), units)}</b> at{' '}
      {quantityWords(pressure(gets.inletPsi), units)}: {gets.verdict === 'enough' ? 'enough' : '▲ weak'}.{' '}
      <a href={href}>Where it is lost, what would help</a>
    </p>
  );
}
