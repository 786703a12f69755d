import { STAGE_NAMES, type Stage } from '../../../../record/index.ts';
import { ReasonForm } from '../../../ui/form/index.ts';
import type { StageProps } from '../stage-props.ts';

/** Goes past a stage, with a reason. */
export function SkipStage({ stage, run, write }: { stage: Stage } & Pick<StageProps, 'run' | 'write'>) {
  return (
    <ReasonForm
      label={stage === 'shut' ? 'What proves the water off' : `Why ${STAGE_NAMES[stage]} is gone past`}
      submit={stage === 'shut' ? 'Proved so' : `Go past ${STAGE_NAMES[stage]}`}
      onReason={(reason) => write('stage-skipped', run.id, { stage, reason })}
    />
  );
}
