import type { Entry, FreeOutlet, Gathered, ReadRun, RunContext, RunRow, RunState, Stage } from '../../../record/index.ts';
import type { Write } from '../../ui/held/index.ts';
import type { WithFlow } from './use-flow.ts';

/** What every stage's panel works with. */
export interface StageProps {
  run: RunRow;
  context: RunContext;
  state: RunState;
  catalogue: WithFlow;
  names: Record<string, string>;
  write: Write;
  visitId: string;
  premisesId: string;
  /** Where the main valve of the premises is; null where nobody said. */
  mainValve: string | null;
  gathered: Gathered;
  /** The van that goes there; null: the shop's first. */
  vanId: string | null;
  /** Of the premises: its clock on the wall. */
  timeZone: string;
  entries: Entry[];
  /** Outlets of the place's other runs that this one can begin at. */
  outlets: FreeOutlet[];
  go: (stage: Stage) => void;
  /** The visit's other runs, and the way to one. */
  others: ReadRun[];
  chooseRun: (id: string) => void;
  /** The visit's day at the premises. */
  onDate: string;
}
