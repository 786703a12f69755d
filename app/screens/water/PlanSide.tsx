import { useState } from 'react';
import { backSteps, type IsolationPlan, losing, type PossiblePlan, type ShutStep, shutSteps, type WaterNetwork } from '../../../core/index.ts';
import { InUnits, Reasons } from '../../ui/units/index.ts';
import { chainOf, conditionWords, offWords, outletsWords, valveWords } from '../../ui/water-words.ts';

interface Props {
  net: WaterNetwork;
  plan: IsolationPlan;
  workOn: readonly string[];
  struckOut: readonly string[];
  nameOf: (id: string) => string;
  onStrike: (id: string, isOut: boolean) => void;
  /** It ran on: the valve passes, and is remembered so. */
  onPasses: (id: string) => void;
  /** The gate of the run that it is for, where it is kept on record. */
  gate?: string | undefined;
}

/** So many plans are told after the first. */
const MOST_TOLD = 3;
const numbers = ['no valve', 'one valve', 'two valves', 'three valves', 'four valves', 'five valves', 'six valves'];

/** The plan beside the drawing: what to close, who is without, what comes out, what next; and the proof that it is dead. */
export function PlanSide({ net, plan, workOn, struckOut, nameOf, onStrike, onPasses, gate }: Props) {
  return (
    <section aria-label="The plan" className="grid gap-4">
      <h2 className="text-3xl">{workOn.map(nameOf).join(', ')}</h2>
      {plan.possible ? <Possible {...{ net, plan, nameOf, onStrike, onPasses, gate }} /> : <p className="caution text-lg">{plan.because[0]?.text}</p>}
      {struckOut.length > 0 && (
        <div>
          <h3 className="border-b border-ink">Struck out</h3>
          <ul>
            {struckOut.map((id) => (
              <li key={id} className="flex flex-wrap items-center justify-between gap-2 py-1">
                {nameOf(id)}
                <button type="button" className="key" onClick={() => onStrike(id, false)}>
                  It holds after all
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

function Possible({ net, plan, nameOf, onStrike, onPasses, gate }: Omit<Props, 'plan' | 'workOn' | 'struckOut'> & { plan: PossiblePlan }) {
  const gone = losing(net, plan);
  const steps = shutSteps(net, plan);
  const said = (what: ShutStep['do'][]) => steps.filter((s) => what.includes(s.do));
  const next = [...chainOf(plan)].slice(1, 1 + MOST_TOLD);
  const valve = (id: string) => net.valves.find((v) => v.id === id)!;
  return (
    <>
      <div className="border border-ink bg-sheet px-4 py-3">
        {said(['energy-off']).map((s) => (
          <p key={s.at} className="caution mb-2">
            <b>{s.title}.</b> <InUnits said={s.detail} />
          </p>
        ))}
        <h3 className="text-2xl">
          {plan.close.length === 0
            ? plan.pumpsOff.length > 0
              ? 'No valve to close'
              : 'Nothing to close: no water comes there'
            : `Close ${numbers[plan.close.length] ?? `${plan.close.length} valves`}`}
        </h3>
        <ol className="mt-1 grid gap-1">
          {plan.close.map((id, i) => (
            <li key={id} className="flex items-start justify-between gap-x-3 text-lg">
              <span>
                <b className="mr-2 inline-flex size-7 items-center justify-center rounded-full border border-ink font-head">{i + 1}</b>
                {nameOf(id)}{' '}
                <span className="text-base text-soft">
                  {valveWords(valve(id).kind)}, {conditionWords(valve(id).condition)}
                </span>
              </span>
              <button type="button" className="key min-h-11 shrink-0 px-3" aria-label={`Strike out ${nameOf(id)}`} onClick={() => onStrike(id, true)}>
                Not this one
              </button>
            </li>
          ))}
        </ol>
        {plan.reliesOn.length > 0 && <p className="caution mt-2">It relies on what is stuck shut: {plan.reliesOn.map(nameOf).join(', ')}.</p>}
      </div>
      <div>
        <h3 className="border-b border-ink">Without water meanwhile</h3>
        <p>{gone.length === 0 ? 'Nobody else.' : `${outletsWords(gone.length)}: ${gone.map(nameOf).join(', ')}.`}</p>
      </div>
      <div>
        <h3 className="border-b border-ink">What comes out</h3>
        {said(['vent', 'drain', 'relieve', 'mind']).map((s) => (
          <p key={`${s.do} ${s.at}`}>
            <b>{s.title}.</b> <InUnits said={s.detail} />
          </p>
        ))}
      </div>
      <Proof key={plan.close.join(' ')} {...{ plan, nameOf, onPasses, gate }} />
      {next.length > 0 && (
        <div>
          <h3 className="border-b border-ink">Should it not hold</h3>
          <ol className="list-decimal pl-6">
            {next.map((p, i) => (
              <li key={i}>{p.possible ? `${offWords(p, nameOf)}: ${outletsWords(losing(net, p).length)} without water` : p.because[0]?.text}</li>
            ))}
          </ol>
        </div>
      )}
      <details className="why">
        <summary>The way back</summary>
        <ol className="mt-1 list-decimal pl-6">
          {backSteps(net, plan).map((s) => (
            <li key={`${s.do} ${s.at}`}>
              <b>{s.title}.</b> <InUnits said={s.detail} />
            </li>
          ))}
        </ol>
      </details>
      <Reasons because={plan.because} />
    </>
  );
}

/** Nothing is opened before an outlet of the dry part has stopped; where it runs on, one of the valves passes. */
function Proof({ plan, nameOf, onPasses, gate }: Pick<Props, 'nameOf' | 'onPasses' | 'gate'> & { plan: PossiblePlan }) {
  const [seen, setSeen] = useState<'stopped' | 'runs' | null>(null);
  const suspects = [...plan.close, ...plan.reliesOn];
  return (
    <div className="border-2 border-ink bg-sheet px-4 py-3">
      <h3 className="text-xl">{nameOf(plan.drainAt)} open, and a minute waited. Has it stopped?</h3>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="key key-main" aria-pressed={seen === 'stopped'} onClick={() => setSeen('stopped')}>
          It stopped
        </button>
        <button type="button" className="key" aria-pressed={seen === 'runs'} onClick={() => setSeen('runs')}>
          It runs on
        </button>
      </div>
      {seen === 'stopped' && (
        <p className="mt-2">
          Dead. Leave it open while the work is done: what trickles shows there first.{' '}
          {gate && (
            <a className="inline-flex min-h-11 items-center" href={gate}>
              Note it at the gate of the run
            </a>
          )}
        </p>
      )}
      {seen === 'runs' && suspects.length > 0 && (
        <div className="mt-2">
          <p>Which one passes? Feel and listen at each: it hisses, or stays cold. It is remembered, and the plan goes on without it.</p>
          <div className="mt-1 flex flex-wrap gap-2">
            {suspects.map((id) => (
              <button key={id} type="button" className="key" onClick={() => onPasses(id)}>
                {nameOf(id)} passes
              </button>
            ))}
          </div>
        </div>
      )}
    </div>
  );
}
