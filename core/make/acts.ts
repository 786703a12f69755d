/** What a step does, said to the machine: a closed list of verbs. */
export const ACT_VERBS = [
  'water-off', 'prove-dead', 'relieve', 'drain', 'vent', 'energy-off', 'power-off', 'prove-power-dead', 'bond', 'protect', 'move-out', 'detach', 'cut',
  'deburr', 'check-tube', 'mark-depth', 'insert', 'ferrule', 'ring', 'sealant', 'start-thread', 'tighten', 'push', 'gauge', 'tug', 'flux', 'solder',
  'cool', 'attach-plastic', 'bench', 'orient', 'drill', 'probe', 'support', 'plate', 'fix', 'set', 'wax', 'level', 'drain-make', 'flush-line',
  'water-on-crack', 'water-on-full', 'look', 'try-safety', 'rinse', 'power-on', 'energy-on', 'put-back', 'seal-floor', 'close-up', 'cap', 'tag',
  'measure', 'record', 'follow-up', 'clean', 'dry-fit', 'shim', 'wire', 'clamp', 'enable', 'seal-rim', 'restore', 'baseline',
] as const; // biome-ignore format: a list of words

export type ActVerb = (typeof ACT_VERBS)[number];

/** One thing a step does; a step may do several, in order. */
export interface Act {
  do: ActVerb;
  /** Number of the joint it is done to. */
  joint?: number;
  /** Which side of an appliance that is fed hot and cold. */
  water?: 'cold' | 'hot';
  /** What else it is done to: 'new' of tube that never held water, a round of looks, 'D1' of a drain joint. */
  on?: string;
}

/** An act with where it stands in a list of steps. */
export interface ActAt extends Act {
  /** Place among all acts of the list, from 0. */
  at: number;
  /** Place of its step, from 0. */
  step: number;
}

/** The acts of a list of steps in their order. */
export function actsOf(steps: readonly { acts: readonly Act[] }[]): ActAt[] {
  const acts = steps.flatMap(({ acts: own }, step) => own.map((act) => ({ ...act, step })));
  return acts.map((act, at) => ({ ...act, at }));
}

/** Tube that has held no water yet may be cut wherever it lies. */
export const isNewCut = (act: Act): boolean => act.do === 'cut' && act.on === 'new';
