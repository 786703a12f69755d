import type { SealId } from '../ends/seals.ts';

export type OldLine = 'none' | 'keep' | 'replace' | 'not judged';
export type StepStage = 'shut' | 'make' | 'prove' | 'log';

/** When a step belongs on the card; a list means any of these, a missing key always. */
export interface StepWhen {
  appliance?: string[];
  water?: ('cold' | 'hot')[];
  stopKind?: string[];
  stopCondition?: string[];
  hidden?: boolean;
  seal?: SealId[];
  partTag?: string[];
  partKind?: string[];
  applianceMoves?: boolean;
  powered?: boolean;
  /** It shuts by a solenoid: opening it lets nothing out. */
  solenoid?: boolean;
  /** What was judged of the line that was there; 'not judged' where nothing was. */
  oldLine?: OldLine[];
  /** The old line is joined again. */
  rejoins?: boolean;
  rule?: Record<string, string>;
}

/** One row of the catalogue's work steps: data, with {placeholders} for the run's own figures. */
export interface StepTemplate {
  id: string;
  stage: StepStage;
  /** Place on the card, ascending within the stage. */
  order: number;
  /** Once a run, or for each joint, part or capped end it fits. */
  each: 'run' | 'joint' | 'part' | 'cap';
  when: StepWhen;
  /** It opens the line: the water is proved dead before it. So does every step that makes a joint. */
  opens?: boolean;
  title: string;
  detail: string;
  tool?: string;
  timerS?: number;
  /** A question that must be answered yes before the next step. */
  gate?: string;
  cautions: string[];
  because: string;
  source: string;
}

/** What the core needs to know of an appliance. */
export interface Appliance {
  id: string;
  name: string;
  water: ('cold' | 'hot')[];
  usualInletEnds: string[];
  designGpm: number;
  minFlowPsi: number;
  maxStaticPsi: number;
  fastClosing: 'yes' | 'no' | 'single lever';
  typicalVolumeGal: number;
  /** Drawn out and pushed home again: it has a put-back round. */
  moves: boolean;
  /** It has an electric supply at hand of the water. */
  powered: boolean;
  note: string;
}
