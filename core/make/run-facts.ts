import type { HouseRules } from '../house/index.ts';
import type { Chain, Part } from '../match/index.ts';
import type { Appliance } from '../rows/index.ts';
import type { OldLine, StepTemplate } from './step-data.ts';
import type { WorkKindId } from './work-kinds.ts';

/** What a card needs to know of a part. */
export type CardPart = Pick<Part, 'id' | 'name' | 'kind' | 'tags'> & Partial<Pick<Part, 'flexible' | 'cutToLength' | 'lengthIn' | 'boreIn'>>;

/** What a card is composed from. */
export interface RunFacts {
  work: WorkKindId;
  appliance: Appliance;
  water: 'cold' | 'hot';
  /** null where nothing is joined: a toilet taken off, a drain rerouted. */
  chain: Chain | null;
  from: string;
  to: string;
  stop: { kind: string; condition: string } | null;
  /** What feeds the appliance, where its kind does not say: a hydrant may have both. */
  waters?: readonly ('cold' | 'hot')[];
  /** Stop of the other side; not tried unless given. */
  otherStop?: { kind: string; condition: string } | null;
  hidden: boolean;
  /** 'not judged' unless given. */
  oldLine?: OldLine;
  /** What was parted from the water side and is joined again. */
  rejoin?: string | null;
  /** Behind a reverse-osmosis unit; as the kind of work and the appliance say unless given. */
  afterOsmosis?: boolean;
  /** Outlets with a valve of their own at which another run of the visit begins, `part end`: they stay open to it. */
  takenOutlets?: string[];
  /** Figures of the appliance's own sheet by their id: what each is called, and what was read; '' where nothing was. */
  sheet?: Record<string, { name: string; text: string }>;
  /** Lengths that were measured at its steps, by their id. */
  measured?: Record<string, { text: string; inches: number | null }>;
  /** What its line gives it, gpm, where that was reckoned; its design flow unless given. */
  gpm?: number;
  /** The card as it was then; the latest unless given. */
  cardVersion?: number;
  rules: HouseRules;
  stepData: StepTemplate[];
  /** Parts by which those of the chain are known. */
  parts: CardPart[];
}
