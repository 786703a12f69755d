/** What must still be known before a hookup can be computed: one question at a time, with the likely answers. */
import { endName, type Reading, readEnd, takesEither } from '../ends/index.ts';
import { remember } from '../units/index.ts';
import type { Answered, Asked, QuestionRead } from './question-read.ts';

/** What is met most at each side, in words that are read again. */
const SOURCES = ['3/8 comp stop', '1/2 copper', '1/2 pex', '1/2 male pipe', '1/2 cpvc'];
const SINK = 'tee off the sink stop';
const TOILET = 'tee off the toilet';
/** Where the water of an appliance comes from, other than from a stop of its own. */
const SOURCES_OF: Record<string, readonly string[]> = {
  'washing-machine': ['3/4 hose bib', '1/2 copper', '1/2 pex', '1/2 male pipe'],
  'bidet-seat': [TOILET, '3/8 comp stop', '1/2 copper'],
  dishwasher: ['3/8 comp stop', SINK, '1/2 copper', '1/2 pex'],
  refrigerator: ['1/4 comp stop', '3/8 comp stop', SINK, '1/2 copper', '1/2 pex'],
  'ice-maker': ['1/4 comp stop', '3/8 comp stop', SINK, '1/2 copper', '1/2 pex'],
  brewer: ['3/8 comp stop', SINK, '1/2 copper', '1/2 pex'],
  'glass-rinser': ['3/8 comp stop', SINK, '1/2 copper', '1/2 pex'],
  'ro-dispenser': ['3/8 comp stop', SINK, '1/2 copper', '1/2 pex'],
  'tub-filler': ['1/2 copper', '1/2 pex', '3/4 copper', '3/4 pex', '1/2 cpvc'],
  hydrant: ['1/2 copper', '3/4 copper', '1/2 pex', '3/4 pex', '1/2 cpvc'],
};
const APPLIANCES = ['toilet', 'faucet', 'kitchen faucet', 'dishwasher', 'fridge', 'washing machine', 'ice maker', 'bidet seat', 'brewer'];

/** What keeps its water when a tee is set: what is parted, and what is joined again. */
const TEES: Record<string, [from: string, rejoin: string]> = { [SINK]: ['comp-3/8-m', 'comp-3/8-f'], [TOILET]: ['bc-7/8-f', 'bc-7/8-m'] };
const WHY = 'as answered';

const fromChoice = (say: string): Asked['choices'][number] => remember(choices, MOST_CHOICES, say, () => choiceOf(say));
const choices = new Map<string, Asked['choices'][number]>();
const MOST_CHOICES = 50;

function choiceOf(say: string): Asked['choices'][number] {
  const tee = TEES[say];
  if (!tee) return { say, as: { from: readEnd(say) } };
  const [from, rejoin] = tee.map((end): Reading[] => [{ end, why: WHY }]) as [Reading[], Reading[]];
  return { say, as: { from, rejoin } };
}

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
  if (read.from.length === 0) {
    const usual = (appliance === undefined ? undefined : SOURCES_OF[appliance]) ?? SOURCES;
    out.push({ what: 'from', text: 'What does the water come from?', choices: usual.map(fromChoice) });
  }
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
