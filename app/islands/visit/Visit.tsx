import { useEffect, useMemo, useState } from 'react';
import { endLabel, type RunContext, type RunState, runState, STAGES, type Stage } from '../../../core/index.ts';
import type { RunRow, VisitSheet } from '../../../store/visits.ts';
import { type ClientCatalogue, useCatalogue } from '../../ui/catalogue.ts';
import { type JointMark, Line } from '../../ui/Line.tsx';
import { STAGE_NAMES } from '../../ui/words.ts';
import { namesOf } from '../QuickMatch.tsx';
import { LogStage } from './LogStage.tsx';
import { LookStage } from './LookStage.tsx';
import { MakeStage } from './MakeStage.tsx';
import { MatchStage } from './MatchStage.tsx';
import { ProveStage } from './ProveStage.tsx';
import { RunningLeak } from './RunningLeak.tsx';
import { useVisitRecord, type Write } from './record.ts';

/** What every stage's panel works with. */
export interface StageProps {
  run: RunRow;
  context: RunContext;
  state: RunState;
  catalogue: ClientCatalogue;
  names: Record<string, string>;
  write: Write;
  visitId: string;
  entries: ReturnType<typeof useVisitRecord>['entries'];
  go: (stage: Stage) => void;
}

export default function Visit({ initial, run: asked, stage: askedStage }: { initial: VisitSheet; run: string | null; stage: string | null }) {
  const record = useVisitRecord(initial);
  const catalogue = useCatalogue();
  const [runId, setRunId] = useState(asked && initial.runs.some((r) => r.id === asked) ? asked : (initial.runs[0]?.id ?? null));
  const [chosen, setChosen] = useState<Stage | null>(STAGES.includes(askedStage as Stage) ? (askedStage as Stage) : null);
  const [alarm, setAlarm] = useState(false);
  const names = useMemo(() => namesOf(catalogue), [catalogue]);
  const states = useMemo(
    () => (catalogue ? new Map(record.sheet.runs.map((r) => [r.id, runState(contextOf(r, catalogue), record.entries)])) : null),
    [catalogue, record.sheet.runs, record.entries],
  );
  const run = record.sheet.runs.find((r) => r.id === runId) ?? record.sheet.runs[0];
  const state = run && states?.get(run.id);
  const stage = chosen ?? state?.stage ?? 'log';

  // A run opens at the stage it has come to and stays there until the user goes on: nothing moves under a thumb.
  const opensAt = state ? (state.stage ?? 'log') : null;
  useEffect(() => {
    if (chosen === null && opensAt !== null) setChosen(opensAt);
  }, [chosen, opensAt]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const n = Number(event.code.replace('Digit', ''));
      if (!event.altKey || !(n >= 1 && n <= 6)) return;
      event.preventDefault();
      setChosen(STAGES[n - 1] as Stage);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);

  if (!run) return <p className="p-5">This visit has no runs.</p>;
  const choose = (id: string) => {
    setRunId(id);
    setChosen(null);
    history.replaceState(null, '', `?run=${id}`);
  };
  const { visit } = record.sheet;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[15rem_minmax(0,1fr)]">
      <aside aria-label="Visit" className="min-w-0 border-b border-ink lg:border-r lg:border-b-0">
        <div className="px-4 pt-3 pb-2">
          <h1 className="text-2xl">{visit.title}</h1>
          <p className="text-soft">
            {visit.premises.name} · {visit.onDate} {visit.startsAt}
          </p>
        </div>
        <nav aria-label="Runs" className="flex overflow-x-auto lg:block">
          {record.sheet.runs.map((r) => (
            <RunButton key={r.id} run={r} state={states?.get(r.id)} current={r.id === run.id} onChoose={() => choose(r.id)} />
          ))}
        </nav>
        <div className="grid gap-2 px-4 py-3">
          <button type="button" className="key key-alarm" onClick={() => setAlarm(true)}>
            Running? Water off now
          </button>
          <a className="inline-flex min-h-8 items-center" href={`/api/v1/visits/${visit.id}/file`}>
            Export this visit
          </a>
        </div>
      </aside>
      <div className="min-w-0">
        <Connection record={record} />
        <div role="tablist" aria-label="Stages" className="grid grid-cols-3 border-b border-ink md:grid-cols-6">
          {STAGES.map((s, i) => (
            <button
              key={s}
              type="button"
              role="tab"
              id={`tab-${s}`}
              aria-selected={s === stage}
              aria-controls="panel"
              className="leaf"
              data-done={state ? isDone(s, state) : false}
              onClick={() => setChosen(s)}
            >
              {STAGE_NAMES[s]} <span className="text-base text-soft">{i + 1}</span>
              {state && isDone(s, state) && <span className="text-base">✓ done</span>}
            </button>
          ))}
        </div>
        {!catalogue || !state ? (
          <p className="p-5">Reading the parts ...</p>
        ) : (
          <>
            <RunningLeak run={run} state={state} write={record.write} open={alarm} onClose={() => setAlarm(false)} />
            <TheLine run={run} state={state} catalogue={catalogue} />

            <div id="panel" role="tabpanel" aria-labelledby={`tab-${stage}`} className="p-4 md:px-6">
              <Panel
                key={`${run.id} ${stage}`}
                stage={stage}
                run={run}
                context={contextOf(run, catalogue)}
                state={state}
                catalogue={catalogue}
                names={names}
                write={record.write}
                visitId={visit.id}
                entries={record.entries}
                go={(s) => setChosen(s)}
              />
            </div>
          </>
        )}
      </div>
    </div>
  );
}

function Panel({ stage, ...props }: StageProps & { stage: Stage }) {
  switch (stage) {
    case 'look':
      return <LookStage {...props} />;
    case 'match':
      return <MatchStage {...props} />;
    case 'shut':
      return <MakeStage {...props} part="shut" />;
    case 'make':
      return <MakeStage {...props} part="make" />;
    case 'prove':
      return <ProveStage {...props} />;
    case 'log':
      return <LogStage {...props} />;
  }
}

export function contextOf(run: RunRow, catalogue: ClientCatalogue): RunContext {
  const appliance = catalogue.appliances.find((a) => a.id === run.applianceKind) ?? catalogue.appliances[0]!;
  return { runId: run.id, water: run.water, appliance, checkPoints: run.checkPoints, stepData: catalogue.steps, parts: catalogue.parts };
}

function isDone(stage: Stage, state: RunState): boolean {
  return state.stage === null || STAGES.indexOf(stage) < STAGES.indexOf(state.stage);
}

function RunButton({ run, state, current, onChoose }: { run: RunRow; state: RunState | undefined; current: boolean; onChoose: () => void }) {
  const finding = state && [...state.joints, ...state.checkPoints].find((t) => t.finding);
  const word = !state
    ? ''
    : finding
      ? `▲ ${finding.label} ${finding.finding}`
      : state.stage === null
        ? 'signed off'
        : `to ${STAGE_NAMES[state.stage].toLowerCase()}`;
  return (
    <button
      type="button"
      onClick={onChoose}
      aria-current={current ? 'true' : undefined}
      className={`block min-h-16 w-full min-w-44 cursor-pointer border-t border-rule px-4 py-2 text-left ${current ? 'border-l-6 border-l-brass-deep bg-sheet' : ''}`}
    >
      <span className="font-head text-xl font-semibold">{run.name}</span>
      <span className={`block ${finding ? 'font-bold' : 'text-soft'}`}>{word}</span>
      <span className="mt-1 grid grid-cols-6 gap-1" aria-hidden="true">
        {STAGES.map((s) => (
          <span key={s} className={`h-1.5 ${state && isDone(s, state) ? 'bg-ink' : state?.stage === s ? 'bg-brass' : 'bg-faint'}`} />
        ))}
      </span>
    </button>
  );
}

function Connection({ record }: { record: ReturnType<typeof useVisitRecord> }) {
  if (record.connected && record.refused.length === 0 && record.unsent === 0) return null;
  return (
    <div className="border-b border-rule bg-sheet px-4 py-2" role="status">
      {record.unsent > 0 && (
        <p>
          {record.unsent} not sent yet{record.connected ? ' ...' : ': kept on this device, sent when the connection is back.'}
        </p>
      )}
      {record.unsent === 0 && !record.connected && <p>No connection. What you enter is kept on this device.</p>}
      {record.refused.map((r) => (
        <p key={r.id} className="caution mt-1">
          Not taken: {r.why}{' '}
          <button type="button" className="cursor-pointer underline" onClick={() => record.forget(r.id)}>
            Understood
          </button>
        </p>
      ))}
    </div>
  );
}

function TheLine({ run, state, catalogue }: { run: RunRow; state: RunState; catalogue: ClientCatalogue }) {
  const { accepted } = state;
  if (!accepted) {
    return (
      <p className="border-b border-ink bg-sheet px-4 py-3 md:px-6">
        <b>{state.from ? endLabel(state.from.end!) : 'The water side is not looked at yet'}</b> <span aria-hidden="true">→</span>{' '}
        <b>{state.to ? endLabel(state.to.end!) : "the appliance's inlet is not looked at yet"}</b>
      </p>
    );
  }
  const marks: JointMark[] = state.joints.map((j) => ({
    n: j.n,
    state: j.proven ? 'proven' : j.made ? 'made' : 'not made',
    finding: j.finding,
    note: j.finding ?? '',
  }));
  return (
    <div className="scroll border-b border-ink bg-sheet px-2 pt-2">
      <Line
        from={accepted.from}
        to={accepted.to}
        chain={accepted.chain}
        parts={catalogue.parts}
        water={run.water}
        marks={marks}
        title={`The line of ${run.name}: ${marks.map((m) => `J${m.n} ${m.finding ?? m.state}`).join(', ')}`}
      />
    </div>
  );
}
