import { reason } from '../../reason.ts';
import type { SealId } from '../../rows/index.ts';
import { diameter, said, writeFraction } from '../../units/index.ts';
import type { ThreadEnd } from '../code.ts';
import { threadSpec } from '../label.ts';
import { jointReason } from '../sayings.ts';
import type { ThreadFamily } from '../tables/threads.ts';
import { type Fit, refuse } from './joint.ts';
import { classicNearMiss, nearId } from './near-miss.ts';
import { threadFit } from './thread-fit.ts';

/** How a male thread seals in a female one of the same thread: the male's family first. Pairs not named have no seat for each other. */
const SEATS: Partial<Record<ThreadFamily, Partial<Record<ThreadFamily, SealId>>>> = {
  comp: { comp: 'washer' },
  flare: { flare: 'flare' },
  npt: { npt: 'taper', npsm: 'washer-on-taper', g: 'washer' },
  npsm: { npsm: 'washer', g: 'washer' },
  g: { g: 'washer', npsm: 'washer' },
  bc: { bc: 'washer' },
  ght: { ght: 'washer-hose' },
  aer: { aer: 'washer-aerator' },
  m: { m: 'washer-aerator' },
};

/** Metric hose tails of mixers carry an O-ring; the larger metric threads are aerators. */
const O_RING_SIZES = ['8x1', '10x1'];

/** Judges two threaded ends, by geometry first and then by seat. */
export function threadJoint(a: ThreadEnd, b: ThreadEnd): Fit {
  if (a.gender === b.gender) {
    const which = a.gender === 'm' ? 'male' : 'female';
    return refuse(reason('gender', `Both ends are ${which}: one cannot go into the other.`));
  }
  const male = a.gender === 'm' ? a : b;
  const female = a.gender === 'm' ? b : a;
  const near = classicNearMiss(male.thread.id, female.thread.id) ? nearId(male.thread.id, female.thread.id) : undefined;
  const named = near === undefined ? {} : { nearMiss: near };
  const alike = near === undefined ? [] : [looksAlike(male, female)];
  const fit = threadFit(male, female);
  const measures = figures(male, female);
  switch (fit.fit) {
    case 'too big':
      return refuse(reason('thread-too-big', `The male (${threadSpec(male)}) is too big to enter the female (${threadSpec(female)}).`, measures), {
        ...named,
      });
    case 'slides in':
      return refuse(
        reason('thread-slides-in', `The male (${threadSpec(male)}) slides into the female (${threadSpec(female)}) without catching.`, measures),
        named,
      );
    case 'false start':
      return {
        verdict: 'false-start',
        seal: null,
        loose: [],
        nearMiss: nearId(male.thread.id, female.thread.id),
        ...(fit.bindsAfterTurns === undefined ? {} : { bindsAfterTurns: fit.bindsAfterTurns }),
        because: [falseStart(male, female, fit.bindsAfterTurns), ...alike],
      };
    case 'other flanks': {
      const seal = seat(male, female);
      const because = jointReason('other-flanks', { male: male.code, female: female.code, seal: seal ?? 'none', ...measures.figures });
      if (seal === null) return refuse(because, named);
      return {
        verdict: 'marginal',
        seal,
        loose: [],
        ...named,
        because: [because, ...alike],
      };
    }
    case 'mates': {
      const seal = seat(male, female);
      if (seal === null) {
        return refuse(reason('no-seat', noSeat(male, female), measures), { nearMiss: nearId(male.thread.id, female.thread.id) });
      }
      return { verdict: 'seals', seal, loose: [], ...named, because: [seals(male, female, seal), ...alike] };
    }
  }
}

function seat(male: ThreadEnd, female: ThreadEnd): SealId | null {
  if (male.family === 'm' && female.family === 'm' && O_RING_SIZES.includes(male.size)) return 'o-ring';
  return SEATS[male.family]?.[female.family] ?? null;
}

function figures(male: ThreadEnd, female: ThreadEnd) {
  return {
    source: `${male.thread.source}; ${female.thread.source}`,
    figures: {
      maleMajorIn: male.thread.externalMajorIn,
      femaleMajorIn: female.thread.externalMajorIn,
      maleThreadsPerIn: male.thread.threadsPerIn,
      femaleThreadsPerIn: female.thread.threadsPerIn,
    },
  };
}

function falseStart(male: ThreadEnd, female: ThreadEnd, binds: number | undefined) {
  const pitches = `${tpi(male)} threads an inch against ${tpi(female)}`;
  if (male.thread.threadsPerIn === female.thread.threadsPerIn) {
    return reason(
      'false-start',
      said`It starts by hand, then wobbles or bottoms: the same pitch, but ${diameter(male.thread.externalMajorIn, 3)} against ${diameter(female.thread.externalMajorIn, 3)}.`,
      figures(male, female),
    );
  }
  const text =
    binds === undefined ? `It runs on loose and never draws up: ${pitches}.` : `It turns on ${writeBinding(binds)}, then binds: ${pitches}.`;
  return reason('false-start', text, figures(male, female));
}

/** Binding turns are known no finer than the half turn: 'about 1 1/2 turns', 'less than half a turn'. */
export function writeBinding(turns: number): string {
  const halves = Math.round(turns * 2) / 2;
  if (halves < 0.5) return 'less than half a turn';
  return `about ${writeFraction(halves, 2)} turn${halves > 1 ? 's' : ''}`;
}

function tpi(end: ThreadEnd): string {
  return writeFraction(end.thread.threadsPerIn, 2);
}

function looksAlike(male: ThreadEnd, female: ThreadEnd) {
  return jointReason('looks-alike', { male: male.code, female: female.code });
}

function noSeat(male: ThreadEnd, female: ThreadEnd): string {
  if (female.family === 'npt') return 'The threads go together, but a straight thread in a taper one has nothing to seal on.';
  return `The threads go together and it feels right to the end, but the seats are not made for each other (${male.thread.familyName} into ${female.thread.familyName}): it leaks.`;
}

function seals(male: ThreadEnd, female: ThreadEnd, seal: SealId) {
  const rule = `seat-${seal}` as 'seat-washer';
  if (seal !== 'washer') return jointReason(rule);
  return jointReason(rule, { on: male.family === 'comp' ? 'body' : female.family === 'bc' ? 'shank' : 'flat end' });
}
