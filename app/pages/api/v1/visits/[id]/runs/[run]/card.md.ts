import { cardMarkdown } from '../../../../../../../../core/index.ts';
import { runCardAsked } from '../../../../../../../http/answers/index.ts';
import { file } from '../../../../../../../http/door/index.ts';
import { unitsAsked } from '../../../../../../../http/units.ts';

/** The work card of a run as a list of tasks. */
export const GET = file({ type: 'text/markdown; charset=utf-8', name: ({ params }) => `card-${params.run}.md` }, async (asked) => {
  const { head, steps, done } = await runCardAsked(asked);
  return cardMarkdown(head, steps, done, await unitsAsked(asked));
});
