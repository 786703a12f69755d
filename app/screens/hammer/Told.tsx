import {
  arrestorSize,
  coil,
  InputError,
  michaudPsi,
  pressure,
  quantityWords,
  type Reason,
  type Surge,
  type SurgeQuestion,
  type Units,
  withQuantities,
} from '../../../core/index.ts';
import { InUnits, Reasons } from '../../ui/units/index.ts';
import { inWords } from '../flow/setting.ts';

interface Props {
  bare: Surge;
  cushioned: Surge | null;
  question: SurgeQuestion;
  units: Units;
}

const three = (value: number): string => String(Number(value.toPrecision(3)));

/** How the figures of a transient come about, with the figures put in. */
function reasonsOf({ bare, question }: Props): Reason[] {
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
          : `Shut in a straight line over ${three(question.closeMs)} ms it adds about ${three(hand)} psi: ${three(bare.joukowskyPsi)} x ${three(roundMs)} / ${three(question.closeMs)}.`,
      source: 'Michaud',
    },
    {
      rule: 'whole',
      text: `The whole run by the method of characteristics: ${bare.work.toLocaleString('en')} reach-steps, wave speeds moved by ${three(bare.waveFit * 100)} % at most to fit one step of time, water that does not add up ${bare.massOff.toExponential(0)}.`,
      source: 'Wylie and Streeter',
    },
  ];
}

function verdict({ peakPsi, limitPsi, timesOver, worst }: Surge, units: Units): string {
  const limit = quantityWords(pressure(limitPsi), units);
  return peakPsi > limitPsi
    ? `▲ passes ${limit} ${timesOver === 1 ? 'once' : `${timesOver} times`}`
    : `stays under ${limit}${worst.psi > limitPsi ? ' at the valve' : ''}`;
}

/** The peak first, bare and softened; then what it means. */
export function Told(props: Props) {
  const { bare, cushioned, units } = props;
  const words = (psi: number) => quantityWords(pressure(Math.round(psi)), units);
  const shown = cushioned ?? bare;
  return (
    <section aria-label="What it comes to" className="grid gap-2" aria-live="polite">
      <p className="font-head text-4xl font-semibold">
        {words(shown.peakPsi)} <span className="text-2xl font-medium">{cushioned ? `softened, ${words(bare.peakPsi)} bare` : 'when it shuts'}</span>
      </p>
      <p className="text-lg">
        <b>{verdict(shown, units)}</b>
        {cushioned && <> · bare it {verdict(bare, units).replace('▲ ', '')}</>}; {words(bare.runningPsi)} while it runs
      </p>
      {shown.worst.branch === null && shown.worst.psi > shown.peakPsi * 1.02 && (
        <p className={shown.worst.psi > shown.limitPsi ? 'caution' : undefined}>
          Highest not at the valve but {quantityWords(coil(Math.round(shown.worst.ft) * 12), units)} from the supply: {words(shown.worst.psi)}
          {shown.worst.psi > shown.limitPsi ? ', ▲ over the limit.' : '.'}
        </p>
      )}
      {shown.cavity && (
        <p className="caution">
          The wave that comes back pulls the water apart somewhere: from there on the figures are a rough guide, and joints suffer most.
        </p>
      )}
      <Reasons because={reasonsOf(props)} label="How that comes about" />
    </section>
  );
}

/** What the table of arrestors says for this branch. */
export function ByTable({ units, flowPsi, branchFt }: { units: string; flowPsi: number; branchFt: number }) {
  const single = units.trim() === '';
  let choice: ReturnType<typeof arrestorSize> | null = null;
  let wrong = '';
  try {
    choice = arrestorSize(single ? 1 : Number(units), flowPsi, branchFt, single);
  } catch (fault) {
    if (!(fault instanceof InputError)) throw fault;
    wrong = fault.message;
  }
  return (
    <section aria-label="Arrestor by the table">
      <h2>Arrestor by the table</h2>
      {choice ? (
        <>
          <p className="text-lg">
            <b>{choice.count === 1 ? `Size ${choice.size}` : `${choice.count} of size ${choice.size}`}</b>,{' '}
            <InUnits said={withQuantities('within 6 ft of the valve')} />, near the end of the branch
          </p>
          <Reasons because={choice.because} />
        </>
      ) : (
        <p className="caution">{inWords(wrong)}</p>
      )}
    </section>
  );
}
