/** What a plumber finds at a run before a wrench is lifted; what is left out is not known. */
import type { Appliance, LineKindId } from '../rows/index.ts';
import type { StopCondition } from './rows.ts';

export interface Stop {
  kind: 'quarter-turn' | 'multi-turn' | 'gate' | 'saddle' | 'none';
  condition: StopCondition;
}

export interface Survey {
  appliance: Pick<Appliance, 'id' | 'name' | 'designGpm' | 'capGpm' | 'minFlowPsi' | 'maxStaticPsi' | 'fastClosing' | 'moves' | 'powered'>;
  water: 'cold' | 'hot';
  /** 'none': no line is there. `seen`: ids of findings; [] where it was looked at and nothing was found. */
  line?: { kind?: LineKindId | 'none'; ageYears?: number; seen?: string[] };
  stop?: Stop & { seen?: string[] };
  arrestor?: { kind: 'none' | 'arrestor' | 'air-chamber'; bangs?: boolean };
  /** What was seen of screen, washer and place. */
  seen?: string[];
  staticPsi?: number;
  runningPsi?: number;
  bucket?: { gallons: number; seconds: number };
  hotF?: number;
  afterOsmosis?: boolean;
  hidden?: boolean;
  power?: 'none' | 'plug' | 'wired';
  wayOutKnown?: boolean;
  movesWithLine?: boolean;
  endsKnown?: boolean;
  /** One of them may be another than it is taken for. */
  endsDoubted?: boolean;
  symptoms?: string[];
  /** The other run of a pair, where its line is to be replaced. */
  pairReplaced?: string;
}
