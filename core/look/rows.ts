import type { LineKindId } from '../rows/index.ts';

/** Rows of the catalogue by which what is there is judged. */

export type StopCondition = 'works' | 'passes' | 'seized-open' | 'seized-shut' | 'broken' | 'weeps' | 'unknown';

export interface FindingRow {
  id: string;
  on: 'line' | 'stop' | 'screen' | 'washer' | 'place';
  /** Of which lines it can be said. */
  kinds: LineKindId[] | '*';
  name: string;
  verdict: 'replace' | 'watch' | 'clean' | 'tell';
  /** How soon what is replaced is: before anything else, or with this visit; null for what is not. */
  when: 'now' | 'visit' | null;
  because: string;
  /** What the chain gets when it is acted on. */
  needs: ('stop' | 'arrestor')[];
  source: string;
}

export interface AgeRow {
  kind: LineKindId;
  name: string;
  /** null: not judged by age. */
  watchYears: number | null;
  replaceYears: number | null;
  source: string;
}

export interface StopRow {
  condition: StopCondition;
  verdict: 'keep' | 'watch' | 'replace' | 'unknown';
  because: string;
  source: string;
}

export interface SymptomRow {
  symptom: string;
  name: string;
  cause: string;
  /** What of the survey makes it likelier: 'line:replace', 'pressure:weak', 'appliance:toilet' ... */
  points: string[];
  lookAt: string;
}

/** Ids of appliances, or all of them. */
export type OnAppliances = readonly string[] | '*';
export const isOn = (appliances: OnAppliances, id: string): boolean => appliances === '*' || appliances.includes(id);

export interface UnknownRow {
  fact: string;
  /** Where it is asked at all. */
  appliances: OnAppliances;
  name: string;
  decides: string;
  /** What waits for it; 'no': an assumption is named instead. */
  blocks: 'no' | 'keep' | 'match' | 'make';
}

export interface ReuseRow {
  what: string;
  name: string;
  /** Each must be answered yes. */
  asks: string[];
  because: string;
}

export interface LookData {
  findings: FindingRow[];
  ages: AgeRow[];
  stops: StopRow[];
  symptoms: SymptomRow[];
  unknowns: UnknownRow[];
  reuse: ReuseRow[];
  sourceWork: SourceWork[];
  sheets: SheetFigure[];
}

/** What a hole, a shutting or a kind of source takes. */
export interface SourceWork {
  of: 'hole' | 'shut' | 'kind';
  id: string;
  name: string;
  minutes: number;
  /** '' for none. */
  skill: string;
  tools: string[];
}

/** A figure that an appliance's own sheet may bring. */
export interface SheetFigure {
  id: string;
  appliances: OnAppliances;
  name: string;
  of: 'length' | 'pressure' | 'words';
  /** It is measured against before the work goes on. */
  gate: boolean;
  /** What of the catalogue's row it takes the place of. */
  overrides: 'minFlowPsi' | 'maxStaticPsi' | null;
  source: string;
}
