import {
  arrestorSize,
  coil,
  InputError,
  pressure,
  quantityWords,
  type Surge,
  type SurgeQuestion,
  type Units,
  withQuantities,
} from '../../../core/index.ts';
import { InUnits, inUnits, Reasons } from '../../ui/units/index.ts';
import { inWords } from '../flow/setting.ts';
import { reasonsOf, verdict } from './reasons.ts';

interface Props {
  bare: Surge;
  cushioned: Surge | null;
  question: SurgeQuestion;
  units: Units;
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
      <Reasons because={inUnits(reasonsOf(props))} label="How that comes about" />
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
