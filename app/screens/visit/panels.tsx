import type { ComponentType } from 'react';
import type { Stage } from '../../../record/index.ts';
import { fetched } from '../../ui/form/index.ts';
import type { StageProps } from './stage-props.ts';

const WHAT = 'This stage';
const LOADS = {
  look: () => import('./look/LookStage.tsx'),
  match: () => import('./match/MatchStage.tsx'),
  make: () => import('./card/MakeStage.tsx'),
  prove: () => import('./prove/ProveStage.tsx'),
  log: () => import('./log/LogStage.tsx'),
};
const MakeStage = fetched(WHAT, LOADS.make);

/** What is shown in each stage, each fetched when it is first opened. */
export const PANELS: Record<Stage, ComponentType<StageProps>> = {
  look: fetched(WHAT, LOADS.look),
  match: fetched(WHAT, LOADS.match),
  shut: (props) => <MakeStage {...props} part="shut" />,
  make: (props) => <MakeStage {...props} part="make" />,
  prove: fetched(WHAT, LOADS.prove),
  log: fetched(WHAT, LOADS.log),
};

/** Has the stage that the address asks for fetched while the rest of the page still comes. */
if (typeof location !== 'undefined') {
  const asked = new URLSearchParams(location.search).get('stage');
  const load = asked === 'shut' ? LOADS.make : LOADS[asked as keyof typeof LOADS];
  // A failure is said where the panel itself is fetched.
  load?.().catch(() => {});
}
