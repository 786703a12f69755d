/** What must still be known before a hookup can be computed: one question at a time, with the likely answers. */
import { type EndCode, endName, type Reading, readEnd, takesEither } from '../ends/index.ts';
import type { Answered, Asked, QuestionRead } from './question-read.ts';
import type { UsualSource } from './usual-source.ts';
import { usualSourcesTable } from './usual-sources.table.ts';

/** What is met most, in words that are read again. */
const APPLIANCES = ['toilet', 'faucet', 'kitchen faucet', 'dishwasher', 'fridge', 'washing machine', 'ice maker', 'bidet seat', 'brewer'];

/** Of an appliance that has rows of its own, else of any. */
function sourcesOf(appliance: string | undefined): Asked['choices'] {
  const own = usualSourcesTable.filter((row) => row.appliance === appliance);
  const rows: readonly UsualSource[] = own.length > 0 ? own : usualSourcesTable.filter((row) => row.appliance === '*');
  return rows.map(({ say, from, rejoin }) => ({ say, as: { from: answered(from), ...(rejoin === null ? {} : { rejoin: answered(rejoin) }) } }));
}

const answered = (end: EndCode): Reading[] => [{ end, why: 'as answered' }];

/** The best of two ways round is taken for certain from here on, nats. */
export const CERTAIN_FROM = 1;

/**
 * What must still be known, most useful first.
 *
 * @param swapped the sides the other way round, where that is nearly as likely; null else
 */
export function askedOf(read: QuestionRead, swapped: Answered | null): Asked[] {
  if (read.kind !== 'chain' && read.kind !== 'rough') return read.kind === 'unclear' && read.unread.length > 0 ? [asksTo()] : [];
  const appliance = read.to[0]?.appliance;
  const out: Asked[] = [];
  if (read.to.length === 0) out.push(asksTo());
  if (read.from.length === 0) out.push({ what: 'from', text: 'What does the water come from?', choices: sourcesOf(appliance) });
  const [from, to] = [read.from[0], read.to[0]];
  if (swapped && from && to) {
    out.push({
      what: 'which',
      text: 'Which is the water side?',
      choices: [
        { say: endName(from.end), as: { from: read.from, to: read.to } },
        { say: endName(to.end), as: swapped },
      ],
    });
  }
  // Of two inlets neither can be told from the appliance's name.
  if (appliance !== undefined && read.to.length > 1 && read.to.every((r) => r.appliance === appliance)) {
    out.push({
      what: 'which',
      text: read.kind === 'rough' ? 'At which stub does it end?' : `Which end has the ${appliance.replaceAll('-', ' ')}?`,
      choices: read.to.map((r) => ({ say: endName(r.end), as: { to: [r] } })),
    });
  }
  if (appliance !== undefined && read.need.water === undefined && takesEither(appliance)) {
    out.push({
      what: 'water',
      text: 'Hot or cold?',
      choices: (['cold', 'hot'] as const).map((water) => ({ say: water, as: { need: { water } } })),
    });
  }
  return out;
}

const asksTo = (): Asked => ({ what: 'to', text: 'What does it go to?', choices: APPLIANCES.map((say) => ({ say, as: { to: readEnd(say) } })) });
