import type { SealId } from '../ends/seals.ts';
import type { Round } from '../prove/method.ts';

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
  /** The joint is the old line's own, made before. */
  reused?: boolean;
  /** Kinds of loose pieces the joint takes: 'insert'. */
  loose?: string[];
  /** The joint to the appliance. */
  last?: boolean;
  /** A stop of the chain is new. */
  newStop?: boolean;
  /** Something new wants clearing before the appliance: a stop, a cut line, solder. */
  flushes?: boolean;
  /** Behind a reverse-osmosis unit, whose tank holds pressure. */
  afterOsmosis?: boolean;
  /** The stop that was found holds the water by itself. */
  stopHolds?: boolean;
  rule?: Record<string, string>;
}

/** One row of the catalogue's work steps: data, with {placeholders} for the run's own figures. */
export interface StepTemplate {
  id: string;
  stage: StepStage;
  /** The card it came with, 1 unless given, and the last that has it: a card is composed as it was when its chain was accepted. */
  since?: number;
  until?: number;
  /** What it says of a round of looks; without one it is ticked by itself. */
  round?: Round;
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
  /** 'yes': a solenoid; else by how its user closes it. */
  fastClosing: 'yes' | 'no' | 'single lever' | 'quarter turn';
  typicalVolumeGal: number;
  /** Drawn out and pushed home again: it has a put-back round. */
  moves: boolean;
  /** It has an electric supply at hand of the water. */
  powered: boolean;
  /** Hot and cold meet in it: water of one can come back by the other. */
  mixes: boolean;
  /** What its flow asks of every part before it, in; typical. */
  minBoreIn: number;
  /** What its supply usually has besides. */
  usualNeeds: ('stop' | 'arrestor' | 'check')[];
  /** Tags of parts that do not belong before it. */
  avoid: string[];
  /** Backflow and scald protection the codes name for it; local code wins. */
  protection: string;
  note: string;
}
