export { type Branches, branchesOf, folded } from './branches.ts';
export { inletOf, type KnownRun, knownNetwork, stopOf } from './known.ts';
export {
  brokenLinks,
  missing,
  type NetFault,
  type NetPipe,
  type NetPlace,
  type NetValve,
  PLACE_KINDS,
  STANDING,
  type Standing,
  type StopKind,
  VALVE_CONDITIONS,
  VALVE_KINDS,
  type ValveCondition,
  type WaterNetwork,
} from './network.ts';
export { type IsolationJob, type IsolationPlan, type PossiblePlan, planIsolation } from './plan-isolation.ts';
export { type Schematic, schematicOf } from './schematic.ts';
export { backSteps, type ShutDo, type ShutStep, shutSteps } from './steps.ts';
export { byChance } from './testing.ts';
export { losing, offBy, wetPlaces } from './wet.ts';
export { joinWindows, type Span, type WaterOff, type WindowJob, type WindowsAnswer } from './windows.ts';
