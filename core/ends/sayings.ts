/** What is said of a joint that is made: how it seals, what it asks, what is easily mistaken for it. */
import type { Figures } from '../reason.ts';
import { reasonsBy, sayings } from '../sayings.ts';
import { turns24, writeFraction, writeTurns } from '../units/index.ts';
import { parseEnd, type ThreadEnd } from './code.ts';
import { threadSpec } from './label.ts';

const THREADS = 'thread standards: ASME B1.20.1 and B1.20.7, SAE J512, ISO 228-1; thread tables';
const TUBES = 'thread standards: ASME B1.20.1 and B1.20.7, SAE J512, ISO 228-1; trade practice: how joints seal';
const PLASTICS = 'trade practice: how joints seal';

const threadOf = (figures: Figures, which: string): ThreadEnd => parseEnd(String(figures[which])) as ThreadEnd;
const turns = (figures: Figures, which: string): string => writeTurns(turns24(Number(figures[which])));

function turnsRange({ from, to }: Figures): string {
  return from === to ? writeTurns(turns24(Number(to))) : `${writeFraction(turns24(Number(from)) / 24, 24)} to ${writeTurns(turns24(Number(to)))}`;
}

export const jointSayings = sayings({
  'seat-taper': { says: 'Taper thread in taper thread: the thread itself seals, with tape or paste.', source: THREADS },
  'seat-washer-on-taper': {
    says: "The swivel nut's washer seals on the flat end; the thread only pulls. The end must be flat, square and deburred.",
    source: THREADS,
  },
  'seat-flare': { says: 'Flare on flare, metal to metal.', source: THREADS },
  'seat-o-ring': { says: "The hose tail's O-ring seals, not the turn.", source: THREADS },
  'seat-washer-hose': { says: 'The washer in the hose nut seals on the flat face.', source: THREADS },
  'seat-washer-aerator': { says: 'The washer in the aerator seals.', source: THREADS },
  'seat-washer': {
    says: ({ on }) =>
      on === 'body'
        ? "The swivel nut brings its own rubber seal; the body's own nut and ferrule are left off."
        : `The nut's own washer seals on the ${on}.`,
    source: THREADS,
  },
  'looks-alike': {
    says: (f) =>
      `${threadSpec(threadOf(f, 'male'))} and ${threadSpec(threadOf(f, 'female'))} are easily mistaken for each other: check pitch and diameter.`,
    source: THREADS,
  },
  'other-flanks': {
    says: (f) => {
      const [male, female] = [threadOf(f, 'male'), threadOf(f, 'female')];
      const text = `Same pitch and nearly the same diameter, but ${male.thread.includedAngleDeg} against ${female.thread.includedAngleDeg} degree threads:`;
      return f.seal === 'none' ? `${text} not made for each other, and nothing seals.` : `${text} a washer joint may hold. Use the right part.`;
    },
    source: (f) => `${threadOf(f, 'male').thread.source}; ${threadOf(f, 'female').thread.source}`,
  },
  'ferrule-copper': { says: 'Brass ferrule on copper: tube cut square, deburred and pushed to the stop.', source: TUBES },
  'ferrule-pex': { says: 'PEX of this size takes a brass ferrule over an insert inside the tube.', source: TUBES },
  'ferrule-plastic': { says: 'Plastic tube takes an insert and a plastic ferrule: a brass one can cut the tube. Tug test.', source: TUBES },
  push: {
    says: ({ size }) =>
      size === 'small' ? 'Square cut, pushed to the second stop, tugged.' : 'Square cut, deburred, pushed to its depth mark, tugged.',
    source: TUBES,
  },
  'push-small-copper': { says: 'Copper in a small push fitting: never chromed or scored tube.', source: TUBES },
  solder: { says: 'Soldered cup: bright metal, dry pipe, lead-free solder.', source: TUBES },
  crimp: { says: 'Ring 1/8 to 1/4 in from the end, checked with the go/no-go gauge.', source: TUBES },
  expansion: {
    says: "Only where the tube's print names F1960; give it time to close before water is let in.",
    source: TUBES,
  },
  cone: { says: "The cone washer seals between the riser's nose and the shank; the nut pulls it up.", source: TUBES },
  'cone-marginal': { says: 'The nut pulls on this thread but the shank is not made for a cone washer.', source: TUBES },
  'flare-plastic': { says: 'A flare wants metal on both sides: on plastic it is not to be trusted.' },
  'plastic-tape': { says: 'Plastic on a taper thread takes tape only: solvents in paste crack plastic.', source: PLASTICS },
  'metal-into-plastic': {
    says: 'Caution: a metal male in a plastic female goes by hand and one turn, never wrenched on.',
    source: PLASTICS,
  },
  turns: {
    says: (f) => `${turnsRange(f)} past hand-tight, ${turns(f, 'default')} to begin with, ${turns(f, 'most')} at most: typical.`,
    source: "seals table, trade practice; the maker's sheet overrides",
  },
  'house-turns': {
    says: (f) =>
      Number(f.wanted ?? f.turns) > Number(f.most)
        ? `The house figure of ${turns(f, 'wanted')} is past the most this joint takes: ${turns(f, 'most')}.`
        : `House rule: ${turns(f, 'turns')} past hand-tight.`,
  },
  'house-thread-sealant': {
    says: ({ sealant }) => (sealant === 'tape' ? 'House rule: PTFE tape, 3 wraps in the direction of tightening.' : 'House rule: thread paste.'),
  },
  'house-ferrule': { says: ({ ferrule }) => (ferrule === 'dry' ? 'House rule: made up dry.' : 'House rule: a trace of paste.') },
});

export const jointReason = reasonsBy(jointSayings);
