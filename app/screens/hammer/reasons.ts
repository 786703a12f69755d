/** Why a surge is as it is, in figures. */
import { michaudPsi, pressure, quantityWords, type Reason, type Surge, type SurgeQuestion, type Units } from '../../../core/index.ts';

const three = (value: number): string => String(Number(value.toPrecision(3)));

/** How the figures of a transient come about, with the figures put in. */
export function reasonsOf({ bare, question }: { bare: Surge; question: SurgeQuestion }): Reason[] {
  const last = question.pipes.at(-1)!;
  const roundMs = bare.roundTripS * 1000;
  const hand = michaudPsi(bare.joukowskyPsi, bare.roundTripS, question.closeMs);
  return [
    {
      rule: 'wave',
      text: `A wave runs at ${three(bare.waveSpeedFtS)} ft/s in the last tube: that of sound in water, slowed by a wall of ${three(last.wallIn)} in and ${three(last.modulusGpa)} GPa around a bore of ${three(last.boreIn)} in. To the supply and back it takes ${three(roundMs)} ms.`,
      source: 'Korteweg',
    },
    { rule: 'instant', text: `Shut at once, ${three(question.gpm)} gpm would add ${three(bare.joukowskyPsi)} psi: rho a v.`, source: 'Joukowsky' },
    {
      rule: 'slow',
      text:
        question.closeMs <= roundMs
          ? `It shuts within one round trip: all of that comes.`
          : `Shut in a straight line over ${three(question.closeMs)} ms it adds about ${three(hand)} psi: ${three(bare.joukowskyPsi)} psi x ${three(roundMs)} / ${three(question.closeMs)}.`,
      source: 'Michaud',
    },
    {
      rule: 'whole',
      text: `The whole run by the method of characteristics: ${bare.work.toLocaleString('en')} reach-steps, wave speeds moved by ${three(bare.waveFit * 100)} % at most to fit one step of time, water that does not add up ${bare.massOff.toExponential(0)}.`,
      source: 'Wylie and Streeter',
    },
  ];
}

export function verdict({ peakPsi, limitPsi, timesOver, worst }: Surge, units: Units): string {
  const limit = quantityWords(pressure(limitPsi), units);
  return peakPsi > limitPsi
    ? `▲ passes ${limit} ${timesOver === 1 ? 'once' : `${timesOver} times`}`
    : `stays under ${limit}${worst.psi > limitPsi ? ' at the valve' : ''}`;
}
