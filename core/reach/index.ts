export { afterProbe, type Hole, type HolePlace, type HoleSize, holeFor, type Passes, type Through } from './holes.ts';
export { type HoseQuestion, type HoseShape, type HoseVerdict, hoseShape, type LineEnd } from './hose-shape.ts';
export { type LengthPick, type LengthQuestion, pickLength, type Room, type Side } from './pick-length.ts';
export { type RiserMarks, type RiserQuestion, riserMarks } from './riser.ts';
export { type LineKind, lengthQuestion, type MeasuredEnd, type Setting, WAYS, type Way } from './setting.ts';
export { type CoilSpace, clearanceBehind, type SlackCoil, slackCoil } from './slack-coil.ts';
export { type CoilCuts, cutList, type RouteCut, type TubeRoute, tubeRoute } from './tube-route.ts';
