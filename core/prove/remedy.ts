import { InputError } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { type SealId, sealById } from '../rows/index.ts';
import { turns24, writeTurns } from '../units/index.ts';

export interface Remedy {
  action: 'nudge' | 'open-and-look' | 'remake' | 'shut';
  /** Turns to add, for a nudge. */
  turns?: number;
  because: Reason[];
}

const SOURCE = 'trade practice: how joints seal; trade practice: proving it dry; seals table';

const RELIEVE_FIRST = 'Shut the water and relieve the pressure first: nothing old or plastic is turned under pressure.';

/**
 * What to do about a joint that is not dry.
 *
 * Running: shut. Not screwed, or a seal that is never nudged: remake. One nudge, when it keeps within the seal's most. Else open and look.
 *
 * @param joint.turnsSoFar turns past hand-tight, nudges included
 * @param joint.nudges     nudges this joint has had since it was made
 * @param joint.isOld      made before, and joined again: such a ferrule gets no more turns
 * @param joint.relieveFirst plastic or old: not turned under pressure
 */
export function remedy(joint: {
  seal: SealId;
  turnsSoFar: number;
  finding: 'damp' | 'drip' | 'running';
  nudges: number;
  isOld?: boolean;
  relieveFirst?: boolean;
}): Remedy {
  const { turns } = sealById(joint.seal) ?? throwUnknown(joint.seal);
  if (joint.finding === 'running') {
    return {
      action: 'shut',
      because: [
        reason('running', 'A running leak: water off at once, then power at the breaker, never by reaching for a plug in water.', { source: SOURCE }),
      ],
    };
  }
  if (!turns || turns.nudge === 0) {
    const text = turns ? 'This joint is never nudged: more turns crack the plastic.' : 'This joint is not screwed: more force does not make it dry.';
    return { action: 'remake', because: [reason('no-nudge', `${text} Shut, relieve the pressure and remake it.`, { source: SOURCE })] };
  }
  if (joint.isOld && joint.seal.startsWith('ferrule')) {
    const text = 'A ferrule that was made before and weeps gets no more turns: shut, relieve the pressure, a new ferrule on fresh tube.';
    return { action: 'remake', because: [reason('reused-ferrule', text, { source: SOURCE })] };
  }
  const after = joint.turnsSoFar + turns.nudge;
  if (joint.nudges === 0 && after <= turns.most + 1e-9) {
    return {
      action: 'nudge',
      turns: turns.nudge,
      because: [
        reason(
          'nudge',
          `One nudge of ${writeTurns(turns24(turns.nudge))} makes ${writeTurns(turns24(after))}, within the most of ${writeTurns(turns24(turns.most))}.`,
          {
            source: SOURCE,
            figures: { turnsSoFar: joint.turnsSoFar, nudge: turns.nudge, most: turns.most },
          },
        ),
        ...(joint.relieveFirst ? [reason('relieve-first', RELIEVE_FIRST, { source: SOURCE })] : []),
      ],
    };
  }
  const why = joint.nudges > 0 ? 'It has had its nudge and still weeps' : `Another nudge would pass the most of ${writeTurns(turns24(turns.most))}`;
  return {
    action: 'open-and-look',
    because: [reason('open', `${why}: shut, relieve the pressure, open it and look at the washer, ferrule or tape.`, { source: SOURCE })],
  };
}

function throwUnknown(seal: string): never {
  throw new InputError('seal', seal, 'Take one of the seals table.');
}
