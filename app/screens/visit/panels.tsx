import type { ComponentType } from 'react';
import type { Stage } from '../../../record/index.ts';
import { LogStage } from './LogStage.tsx';
import { LookStage } from './LookStage.tsx';
import { MakeStage } from './MakeStage.tsx';
import { MatchStage } from './MatchStage.tsx';
import { ProveStage } from './ProveStage.tsx';
import type { StageProps } from './stage-props.ts';

/** What is shown in each stage. */
export const PANELS: Record<Stage, ComponentType<StageProps>> = {
  look: LookStage,
  match: MatchStage,
  shut: (props) => <MakeStage {...props} part="shut" />,
  make: (props) => <MakeStage {...props} part="make" />,
  prove: ProveStage,
  log: LogStage,
};
