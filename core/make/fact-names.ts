/** Names of what may be so of a run or of one of its joints: what the conditions of steps are written in. */
const RUN_FACTS = [
  'joins', 'hot', 'mixes', 'stop', 'stop-holds', 'saddle', 'new-stop', 'solenoid', 'powered', 'moved-out', 'pushed-home', 'old-line', 'rejoins',
  'hidden', 'flushes', 'flushes-at-source', 'last-soldered', 'soldered', 'braid', 'cuts-found', 'bonds', 'bond-stays',
  'after-osmosis', 'riser', 'check', 'stop-leak', 'plastic-line', 'pex-line', 'arrestor', 'polybutylene', 'galvanized', 'looks',
  'elbow', 'both-waters', 'shuts-at-stop', 'shuts-bad-stop', 'shuts-at-branch', 'stop-untried', 'other-at-branch', 'heater-idle',
  'dead-at-branch', 'dead-at-nut', 'dead-at-end', 'again-at-new', 'again-at-stop', 'again-at-branch', 'makes-ice',
] as const; // biome-ignore format: a list of words

const JOINT_FACTS = [
  'last', 'first', 'reused', 'bench', 'starts-apart', 'found-tube', 'part-tube', 'insert', 'sealed', 'on-plastic',
  'taken', 'rigid-cut', 'coil-cut', 'metal-tube', 'plastic-tube',
] as const; // biome-ignore format: a list of words

export const FACTS = [...RUN_FACTS, ...JOINT_FACTS] as const;
export type Fact = (typeof FACTS)[number];
