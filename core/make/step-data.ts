import type { Round } from '../prove/index.ts';
import type { SealId } from '../rows/index.ts';
import type { ActVerb } from './acts.ts';
import type { Fact } from './fact-names.ts';
import type { Reckoning, StepMeasure } from './figures/rows.ts';
import type { WorkKindId } from './work-kinds.ts';

export type OldLine = 'none' | 'keep' | 'replace' | 'not judged';
export type StepStage = 'shut' | 'make' | 'prove' | 'log';

/** When a step belongs on the card; a list means any of these, a missing key always. */
export interface StepWhen {
  work?: WorkKindId[];
  notWork?: WorkKindId[];
  /** What must be so of the run or of the joint, and what must not. */
  is?: Fact[];
  not?: Fact[];
  appliance?: string[];
  water?: ('cold' | 'hot')[];
  stopKind?: string[];
  stopCondition?: string[];
  seal?: SealId[];
  partTag?: string[];
  /** What was judged of the line that was there; 'not judged' where nothing was. */
  oldLine?: OldLine[];
  rule?: Record<string, string>;
  // What the first two versions of the cards asked; newer steps say it as facts.
  hidden?: boolean;
  partKind?: string[];
  applianceMoves?: boolean;
  powered?: boolean;
  solenoid?: boolean;
  rejoins?: boolean;
  reused?: boolean;
  /** Kinds of loose pieces the joint takes: 'insert'. */
  loose?: string[];
  last?: boolean;
  newStop?: boolean;
  flushes?: boolean;
  afterOsmosis?: boolean;
  stopHolds?: boolean;
}

/** An act of a template: the joint follows from what the step is for. */
export interface ActTemplate {
  do: ActVerb;
  on?: string;
  /** Done to each joint of the chain, or to each that is soldered, in a step that is there once. */
  each?: 'joint' | 'soldered';
  /** The side that is not the run's own, where the appliance has two. */
  water?: 'other';
  if?: Fact;
  unless?: Fact;
}

/** A tool or a material, its size in {placeholders}, and what it is for. */
export interface Wanted {
  what: string;
  size?: string;
  for: string;
}

/** A joint of the drain that a step makes: how it seals, and what is done when it weeps. */
export interface DrainJoint {
  /** 'D1' */
  on: string;
  /** What it joins: 'toilet to flange'. */
  what: string;
  /** Id in drain-seals.csv. */
  seal: string;
  /** 'wax ring' */
  name: string;
  /** When it is looked at: 'full bowl let go'. */
  lookedAt: string;
  /** From the least to the most, in order. */
  remedies: string[];
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
  /** Where it stands within its stage when nothing else says so: whole numbers are blocks of work, decimals the order inside one. */
  order: number;
  /** Once a run, or for each joint, part or capped end it fits. */
  each: 'run' | 'joint' | 'part' | 'cap';
  when: StepWhen;
  acts?: ActTemplate[];
  /** Steps it stands after or before: a verb, `verb:on`, `#id` of a step, `@early` or `@held` joints. */
  after?: string[];
  before?: string[];
  /** Its acts come a second time: what they say of order is said of the first. */
  again?: boolean;
  /** Where it is done: steps of one block at one place are done together. */
  where?: string;
  /** It opens the line: the water is proved dead before it. Newer steps say it by their acts. */
  opens?: boolean;
  title: string;
  detail: string;
  /** As the first cards named them. */
  tool?: string;
  tools?: Wanted[];
  materials?: Wanted[];
  people?: number;
  /** Typical, for one pair of hands that knows the work. */
  minutes?: number;
  timerS?: number;
  /** The drain joints that its acts make. */
  drains?: DrainJoint[];
  /** Figures of the appliance's own sheet that are held against what is there, by id. */
  figures?: string[];
  /** Lengths that are measured at it, and what is worked out of them; put in when the catalogue is read. */
  measures?: StepMeasure[];
  reckons?: Reckoning[];
  /** A question that must be answered yes before the next step. */
  gate?: string;
  /** Asked each time; shown only where its fact holds. */
  cautions: (string | { if: Fact; text: string })[];
  because: string;
  source: string;
  /** What can go wrong at it, put in when the catalogue is read. */
  recoveries?: Recovery[];
}

/** What is done when a step goes wrong. */
export interface Recovery {
  id: string;
  /** Verbs of the steps it can happen at. */
  at: ActVerb[];
  when: StepWhen;
  /** What is seen: 'The bolt spins'. */
  title: string;
  /** In order. */
  steps: string[];
  source: string;
}
