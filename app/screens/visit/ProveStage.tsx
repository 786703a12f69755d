import { useEffect, useState } from 'react';
import {
  dripRate,
  FIRST_DROP_DELAY_MIN,
  type Finding,
  FLOOR_ML_PER_DAY,
  METHODS,
  type Method,
  pooledBound,
  ROUNDS,
  type Round,
  sealById,
  waitFor,
  withQuantities,
} from '../../../core/index.ts';
import { besideLooks, type EntryOf } from '../../../record/index.ts';
import { Choices } from '../../ui/Choices.tsx';
import { InUnits } from '../../ui/InUnits.tsx';
import { useKeys } from '../../ui/use-keys.ts';
import { clock, mlPerDay, provenWords, recheckWords } from '../../ui/words.ts';
import { Step } from './card/Step.tsx';
import { PicturesOfJoints } from './look/PicturesOf.tsx';
import { RemedyBox } from './RemedyBox.tsx';
import type { StageProps } from './stage-props.ts';
import { elapsedOf, startStopwatch } from './stopwatch.ts';
import type { Target } from './target.ts';

const FINDINGS: { finding: Finding; label: string; keys: string[] }[] = [
  { finding: 'dry', label: 'Dry', keys: ['1', 'd'] },
  { finding: 'damp', label: 'Damp', keys: ['2', 'w'] },
  { finding: 'drip', label: 'Drip', keys: ['3', 'p'] },
  { finding: 'running', label: 'Running', keys: ['4', 'r'] },
];

export default function ProveStage(props: StageProps) {
  const { run, state, write, go, timeZone, visitId, gathered } = props;
  const targets: Target[] = [
    ...state.joints.map((j) => ({ ...j, what: `${j.a} · ${j.b}`, target: { jointId: j.id } })),
    ...state.checkPoints.map((c) => ({ ...c, what: 'of the stop', seal: null, target: { checkPointId: c.id } })),
  ];
  const rounds: Round[] = state.signedOff ? [...state.rounds, 'next-day'] : state.rounds;
  /** Signed off, only the look again is still taken. */
  const choices: Round[] = state.signedOff ? ['next-day'] : rounds;
  const due = choices.find((r) => targetsOf(targets, r).some((t) => t.byRound[r]?.state !== 'dry')) ?? choices.at(-1)!;
  const open = state.openLooks.filter((l) => !l.body.left);
  const under = new Set(state.openLooks.filter((l) => l.body.left).map((l) => l.jointId ?? l.checkPointId));
  const [chosenRound, setRound] = useState<Round | null>(null);
  const [method, setMethod] = useState<Method>('tissue');
  const round = open[0]?.body.round ?? chosenRound ?? due;
  /** A tissue is left under pressure: in the round that is due, or in Standing before it. */
  const layRound: Round = ROUNDS.find((r) => r.id === round)?.pressure ? round : 'standing';
  const unmade = state.joints.filter((j) => !j.made);
  const trouble = targets.filter((t) => t.finding !== null);
  const begin = () => {
    for (const t of targetsOf(targets, round).filter((x) => x.finding === null)) {
      const id = write('look-begun', run.id, { round, method }, t.target);
      startStopwatch(id);
    }
  };
  /** A tissue under everything that has none yet: it looks on while other work is done. */
  const toLay = targets.filter((t) => t.finding === null && !under.has(t.id));
  const lay = () => {
    for (const t of toLay) startStopwatch(write('look-begun', run.id, { round: layRound, method: 'tissue', left: true }, t.target));
  };
  const isReady = state.hasCard && unmade.length === 0;
  useKeys({ b: isReady && open.length === 0 ? begin : null });
  if (!isReady) {
    return (
      <p>
        {state.hasCard ? `${unmade.map((j) => j.label).join(', ')} not made yet.` : 'There is nothing to prove yet.'}{' '}
        <button type="button" className="cursor-pointer underline" onClick={() => go('make')}>
          Go to the work card
        </button>
      </p>
    );
  }
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[minmax(0,1fr)_20rem]">
      <section>
        {trouble.map((t) =>
          state.signedOff ? (
            <p key={t.id} className="caution mb-4">
              {t.label} is {t.finding}. This run is signed off: reopen it in Log, then put it right.{' '}
              <button type="button" className="cursor-pointer underline" onClick={() => go('log')}>
                Go to Log
              </button>
            </p>
          ) : (
            <RemedyBox key={t.id} trouble={t} {...props} />
          ),
        )}
        <Table targets={targets} rounds={rounds} goal={state.targetMlPerDay} recheck={recheckWords(state, timeZone)} />
        <PicturesOfJoints joints={state.joints} now={state.joints.find((j) => j.finding !== null)?.n} runId={run.id} {...{ visitId, gathered }} />
        <BesideLooks {...props} targets={targets} />
        {state.stage === 'log' && (
          <p className="mt-4 text-lg">
            Every joint and the stem are proven.{' '}
            <button type="button" className="key key-main" onClick={() => go('log')}>
              On to Log
            </button>
          </p>
        )}
      </section>
      <section aria-label="The look" className="grid content-start gap-3">
        {open.length === 0 ? (
          <div className="grid gap-3 border border-ink bg-sheet p-4">
            <h2>{ROUNDS.find((r) => r.id === round)?.name}</h2>
            <RoundWords round={round} card={state.card} />
            <label className="grid gap-1">
              <span className="label">Round</span>
              <select className="field" value={round} onChange={(e) => setRound(e.target.value as Round)}>
                {choices.map((r) => (
                  <option key={r} value={r}>
                    {ROUNDS.find((x) => x.id === r)?.name}
                  </option>
                ))}
              </select>
            </label>
            <Choices
              legend="How"
              options={[
                ['tissue', METHODS.tissue.name],
                ['eye', METHODS.eye.name],
              ]}
              value={method}
              onChange={setMethod}
            />
            <button type="button" className="key key-main" onClick={begin}>
              Begin the look <kbd>b</kbd>
            </button>
            {toLay.length > 0 && ROUNDS.find((r) => r.id === round)?.pressure && (
              <button type="button" className="key" onClick={lay}>
                Leave a tissue under {toLay.length === targets.length ? 'each' : toLay.map((t) => t.label).join(', ')}
              </button>
            )}
          </div>
        ) : (
          <Looking open={open} targets={targets} goal={state.targetMlPerDay} {...props} />
        )}
        <p className="text-soft">"It works" is never "it is dry": a filled tank proves nothing about a joint. Bounds are guides.</p>
      </section>
    </div>
  );
}

/** What a round is for, and what the card says of it for this appliance. */
function RoundWords({ round, card }: { round: Round; card: StageProps['state']['card'] }) {
  const own = card.filter((step) => step.round === round);
  return (
    <>
      <p>{own.length > 0 ? <InUnits said={withQuantities(own.map((s) => s.detail).join(' '))} /> : ROUNDS.find((r) => r.id === round)?.what}</p>
      {own
        .flatMap((s) => s.cautions)
        .map((c) => (
          <p key={c} className="caution">
            <InUnits said={withQuantities(c)} />
          </p>
        ))}
    </>
  );
}

/** What wants a tick beside the looks, once the line stood dry: power on again, what is asked before a wall is closed. */
function BesideLooks({ run, state, write, targets }: StageProps & { targets: Target[] }) {
  const steps = besideLooks(state.card);
  const roundsBefore = (s: (typeof steps)[number]) => state.card.slice(0, state.card.indexOf(s)).flatMap((c) => (c.round ? [c.round] : []));
  const waitsFor = (s: (typeof steps)[number]) =>
    roundsBefore(s)
      .filter((r) => targetsOf(targets, r).some((t) => t.byRound[r]?.state !== 'dry'))
      .at(-1);
  const left = steps.filter((s) => !state.done[s.id]);
  const open = left.filter((s) => waitsFor(s) === undefined);
  const later = left.filter((s) => waitsFor(s) !== undefined);
  if (left.length === 0) return null;
  const told = [...new Set(later.map(waitsFor))].map((r) => ({
    after: ROUNDS.find((x) => x.id === r)?.name.toLowerCase(),
    titles: later.filter((s) => waitsFor(s) === r).map((s) => s.title),
  }));
  const ahead = told.map(({ after, titles }) => (
    <p key={after} className="mt-2 text-soft">
      After the {after} round: {titles.join('; ')}.
    </p>
  ));
  if (open.length === 0) return <div className="mt-4">{ahead}</div>;
  return (
    <section className="mt-4" aria-label="Beside the looks">
      <h2>Beside the looks</h2>
      <ol className="mt-1">
        {open.map((step) => (
          <Step key={step.id} step={step} n={steps.indexOf(step) + 1} done={false} present {...{ run, state, write }} />
        ))}
      </ol>
      {ahead}
    </section>
  );
}

const hiddenOf = (targets: Target[], look: EntryOf<'look-begun'>): number => {
  const seal = targets.find((t) => t.id === (look.jointId ?? look.checkPointId))?.seal;
  return seal ? sealById(seal).hiddenMl : 0;
};

function targetsOf(targets: Target[], round: Round): Target[] {
  return round === 'put-back' ? targets.filter((t) => t.seal !== null) : targets;
}

function Table({ targets, rounds, goal, recheck }: { targets: Target[]; rounds: Round[]; goal: number; recheck: string }) {
  return (
    <section className="scroll" tabIndex={0} aria-label="Rounds by joint">
      <table className="w-full">
        <thead>
          <tr className="align-bottom">
            <th>Joint</th>
            {rounds.map((r) => (
              <th key={r}>{ROUNDS.find((x) => x.id === r)?.name}</th>
            ))}
            <th>Still possible</th>
          </tr>
        </thead>
        <tbody>
          {targets.map((t) => (
            <tr key={t.id} className="border-t border-rule align-top">
              <td className="py-2 pr-4">
                <b className="font-head text-xl">{t.label}</b> <span className="block text-sm text-soft">{t.what}</span>
              </td>
              {rounds.map((r) => {
                const mark = t.byRound[r];
                return (
                  <td key={r} className="py-2 pr-4">
                    {!mark ? (
                      <span className="text-soft">–</span>
                    ) : mark.state === 'dry' ? (
                      <span className="whitespace-nowrap">dry {clock(mark.minutes * 60)}</span>
                    ) : (
                      <b>▲ {mark.state}</b>
                    )}
                  </td>
                );
              })}
              <td className="py-2">
                {t.mlPerDay === null ? <span className="text-soft">nothing proven yet</span> : <span>{provenWords(t.mlPerDay, recheck)}</span>}
                {t.proven && <b className="block">✓ enough</b>}
                {t.mlPerDay !== null && t.mlPerDay > goal && <span className="block text-sm text-soft">wants {goal}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** The running clock. It leads with what is still needed, and never flatters. */
function Looking({ open, targets, goal, run, write }: StageProps & { open: EntryOf<'look-begun'>[]; targets: Target[]; goal: number }) {
  const [, tick] = useState(0);
  const [picked, setPicked] = useState<string>('all');
  const [drops, setDrops] = useState('');
  useEffect(() => {
    const timer = setInterval(() => tick((n) => n + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  const first = open[0]!;
  const elapsedS = elapsedOf(first);
  const { round, method } = first.body;
  const { dropMl } = METHODS[method];
  const pressure = ROUNDS.find((r) => r.id === round)?.pressure ?? false;
  // What hides most tells last.
  const hiddenMl = Math.max(...open.map((l) => hiddenOf(targets, l)));
  const wait = waitFor({ targetMlPerDay: goal, dropMl, hiddenMl, delayMin: FIRST_DROP_DELAY_MIN });
  const bound = pooledBound({
    looks: [{ waitMin: elapsedS / 60, dropMl, hiddenMl }],
    delayMin: FIRST_DROP_DELAY_MIN,
    floorMlPerDay: FLOOR_ML_PER_DAY,
  }).mlPerDay;
  const leftS = wait.minutes * 60 - elapsedS;
  const looking = open.filter((l) => picked === 'all' || (l.jointId ?? l.checkPointId) === picked);
  const end = (finding: Finding) => {
    const counted = finding === 'drip' && /^\d+$/.test(drops) ? Number(drops) : null;
    for (const look of looking) {
      write(
        'look-ended',
        run.id,
        { begunId: look.id, finding, drops: counted, elapsedS: Math.round(elapsedOf(look)) },
        look.jointId ? { jointId: look.jointId } : { checkPointId: look.checkPointId ?? undefined },
      );
    }
    setPicked('all');
    setDrops('');
  };
  /** With all of them picked only dry can be said: what is not dry is at one of them. */
  const isShut = (finding: Finding) => picked === 'all' && finding !== 'dry' && finding !== 'normal' && open.length > 1;
  useKeys(Object.fromEntries(FINDINGS.flatMap((f) => f.keys.map((key) => [key, isShut(f.finding) ? null : () => end(f.finding)] as const))));
  const rate = /^\d+$/.test(drops) && elapsedS > 0 ? dripRate({ drops: Number(drops), minutes: elapsedS / 60 }) : null;
  return (
    <div className="grid gap-3 border-2 border-ink bg-sheet p-4">
      <p className="label">
        {ROUNDS.find((r) => r.id === round)?.name}, {METHODS[method].name}
      </p>
      {pressure ? (
        <p className="font-head text-4xl font-semibold" role="timer">
          {leftS > 0 ? `${clock(leftS)} more` : `${clock(elapsedS)} watched`}
        </p>
      ) : (
        <p className="font-head text-4xl font-semibold" role="timer">
          {clock(elapsedS)}
        </p>
      )}
      <p className="text-lg">
        {!pressure
          ? 'No pressure yet: this round finds, it does not bound a leak.'
          : leftS > 0
            ? `for ${goal} mL a day. So far: ${bound === null ? 'nothing proven yet' : `dry would prove under ${mlPerDay(bound)} mL a day at 95 %`}.`
            : `Dry proves under ${mlPerDay(bound ?? goal)} mL a day at 95 %: enough.`}
      </p>
      <label className="grid gap-1">
        <span className="label">What you see, at</span>
        <select className="field" value={picked} onChange={(e) => setPicked(e.target.value)}>
          <option value="all">all of them</option>
          {open.map((l) => {
            const t = targets.find((x) => x.id === (l.jointId ?? l.checkPointId));
            return t ? (
              <option key={t.id} value={t.id}>
                {t.label} {t.what}
              </option>
            ) : null;
          })}
        </select>
      </label>
      <div className="grid grid-cols-2 gap-2">
        {FINDINGS.map((f) => (
          <button
            key={f.finding}
            type="button"
            className={`key ${f.finding === 'dry' ? 'key-main' : f.finding === 'running' ? 'key-alarm' : ''}`}
            disabled={isShut(f.finding)}
            onClick={() => end(f.finding)}
          >
            {f.label} <kbd>{f.keys[0]}</kbd>
          </button>
        ))}
      </div>
      {picked === 'all' && open.length > 1 && <p className="text-soft">Not dry? Say at which joint first.</p>}
      <button type="button" className="min-h-10 cursor-pointer text-left underline" onClick={() => end('normal')}>
        Normal discharge: a frost-free hydrant draining, a vacuum breaker spitting
      </button>
      <label className="grid gap-1">
        <span className="label">Drops counted, for a drip</span>
        <input className="field max-w-32" inputMode="numeric" value={drops} onChange={(e) => setDrops(e.target.value)} />
      </label>
      {rate && (
        <p>
          {rate.perMin[0].toFixed(1)} to {rate.perMin[2].toFixed(1)} drops a minute; {mlPerDay(rate.mlPerDay[0])} to {mlPerDay(rate.mlPerDay[2])} mL a
          day
        </p>
      )}
    </div>
  );
}
