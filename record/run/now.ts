/** A run as it stands, as far as the rules of its entries ask. */

import type { Round, Units } from '../../core/index.ts';
import type { Stage } from './stages.ts';

/** What a sign-off must name with a reason: a stage that is not done, or a joint or check point that is not proven. */
export type OpenItem = { stage: Stage; label: string } | { targetId: string; label: string };

export interface RunNow {
  /** Something is joined in it: what is done wants a chain. */
  joins: boolean;
  /** The acceptance in force; null while there is none. */
  accepted: { id: string; deviceId: string } | null;
  /** Whether an acceptance of that id was kept, in force or not. */
  hasAcceptance: (id: string) => boolean;
  /** Joints of every chain that was accepted for it. */
  jointIds: ReadonlySet<string>;
  /** Its stem, and the joints of the drain that its card makes. */
  hasCheckPoint: (id: string) => boolean;
  /** Whether a step of its card proves water or power off. */
  isProof: (stepId: string) => boolean;
  /** What a step of its card worked out that does not keep to what is asked, in words; null where all does. */
  isOff: (stepId: string) => string | null;
  /** The sign-off in force; null where there is none. */
  signedOff: { id: string; deviceId: string } | null;
  /** Whether an entry is the sign-off in force, or happened after it. */
  isAfterSignOff: (entryId: string | null) => boolean;
  /** What a sign-off would have to name. */
  open: () => OpenItem[];
  /** Names of what is running. */
  running: () => string[];
  /** Two devices decided the same thing, and it is not settled which of the two stands. */
  unsettled: () => boolean;
  /** The standing look that has this id: what it was begun on and in which round, and by which device it was ended. */
  look: (id: string) => { targetId: string | null; round: Round; endedBy: string | null } | null;
}

/** Words for what an entry names by id or code. */
export interface Words {
  /** What figures are said in. */
  units: Units;
  /** 'J2', 'Stop stem'. */
  target: (id: string) => string;
  /** Name of a part or loose piece. */
  item: (id: string) => string;
  /** '3/8 in OD compression, male'. */
  end: (code: string) => string;
  /** Title of a step of the work card. */
  step: (id: string) => string;
  /** What is known to go wrong at a step, by its ids. */
  way: (step: string, id: string) => string;
  /** What a look was for: its round. */
  look: (id: string) => string;
  /** How long was watched, by what is said of a look that was ended, minutes; null where its beginning is not known. */
  watched: (ended: object) => number | null;
}
