import * as z from 'zod/mini';
import { kind } from '../../kind.ts';
import { id, text } from '../../shapes.ts';
import { realReason, wantsChain } from '../rules.ts';

/**
 * A question of the card that is answered before the work goes on: yes, no, by another proof that is named, or gone past with a reason. Water and power
 * are never gone past: only proved another way. What was measured and does not keep to its sheet takes no yes.
 */
export const gateAnswered = kind({
  name: 'gate-answered',
  shape: z.strictObject({ stepId: id, answer: z.enum(['yes', 'no', 'another proof', 'past it']), note: text }),
  counts: { lastOf: (b) => b.stepId },
  about: 'run',
  holds: (entry, run) => {
    const lacks = wantsChain(entry, run);
    if (lacks) return lacks;
    const { stepId, answer, note } = entry.body;
    if (answer === 'no') return null;
    const off = answer === 'yes' ? run.isOff(stepId) : null;
    if (off) return { rule: 'is-off', why: `${off}. Put it right and measure again, or go past it with a reason.` };
    if (answer === 'yes') return null;
    if (answer === 'past it' && run.isProof(stepId)) {
      return { rule: 'wants-proof', why: 'Water and power are not gone past: prove them off another way, and name the proof.' };
    }
    return realReason(note);
  },
  describe: (b, w) => `${w.step(b.stepId)}: ${SAID[b.answer]}${b.note ? `. ${b.note}` : ''}`,
});

const SAID = { yes: 'answered yes', no: 'answered no', 'another proof': 'proved another way', 'past it': 'gone past with a reason' } as const;
