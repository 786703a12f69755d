import * as z from 'zod/mini';
import { writeTurns } from '../../../core/index.ts';
import { kind } from '../../kind.ts';
import { turns24, uuid } from '../../shapes.ts';
import { wantsTarget } from '../rules.ts';

const ACTIONS = { nudge: 'nudged', 'open-and-look': 'opened and looked at', remake: 'opened, put right', shut: 'water shut off' } as const;

/** Something done about a joint that was not dry; what moved with it goes through the rounds again. */
export const remedied = kind({
  name: 'remedied',
  shape: z.strictObject({
    action: z.enum(['nudge', 'open-and-look', 'remake', 'shut']),
    turns24,
    movedJointIds: z.array(uuid).check(z.maxLength(8)),
  }),
  counts: 'all',
  about: 'joint or check point',
  onSigned: ({ body }) => body.action === 'shut',
  holds: (entry, run) => {
    const stray = entry.body.movedJointIds.find((joint) => !run.jointIds.has(joint));
    return stray === undefined ? wantsTarget(entry, run) : { rule: 'unknown-joint', why: 'A joint that moved with it is none of this run.' };
  },
  describe: (b, w) => {
    const moved = b.movedJointIds.length > 0 ? `; moved with it: ${b.movedJointIds.map(w.target).join(', ')}` : '';
    return `${ACTIONS[b.action]}${b.turns24 > 0 ? `, ${writeTurns(b.turns24)}` : ''}${moved}`;
  },
});
