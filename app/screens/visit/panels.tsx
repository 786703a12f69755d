import type { ComponentType } from 'react';
import type { Stage } from '../../../record/index.ts';
import { fetched } from '../../ui/fetched.tsx';
import type { StageProps } from './stage-props.ts';

const WHAT = 'This stage';
const MakeStage = fetched(WHAT, () => import('./MakeStage.tsx'));

/** What is shown in each stage, each fetched when it is first opened. */
export const PANELS: Record<Stage, ComponentType<StageProps>> = {
  look: fetched(WHAT, () => import('./LookStage.tsx')),
  match: fetched(WHAT, () => import('./MatchStage.tsx')),
  shut: (props) => <MakeStage {...props} part="shut" />,
  make: (props) => <MakeStage {...props} part="make" />,
  prove: fetched(WHAT, () => import('./ProveStage.tsx')),
  log: fetched(WHAT, () => import('./LogStage.tsx')),
};
