import { useEffect, useMemo, useRef, useState } from 'react';
import { type FreeOutlet, outletsFor, type RunContext, type RunState, runState, STAGES, type Stage } from '../../../core/index.ts';
import type { RunRow, VisitSheet } from '../../../store/visits.ts';
import type { JointMark } from '../../ui/Balloon.tsx';
import { type ClientCatalogue, namesOf, useCatalogue } from '../../ui/catalogue.ts';
import type { endBrought } from '../../ui/end-wanted.ts';
import { Line } from '../../ui/Line.tsx';
import { STAGE_NAMES } from '../../ui/words.ts';
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
  /** Of the premises: its clock on the wall. */
  timeZone: string;
  entries: ReturnType<typeof useVisitRecord>['entries'];
  /** Outlets of the place's other runs that this one can begin at. */
  outlets: FreeOutlet[];
  go: (stage: Stage) => void;
}

interface Props {
  initial: VisitSheet;
  run: string | null;
  stage: string | null;
  /** An end found by its drawing or with the gauge, for the run. */
  brought: ReturnType<typeof endBrought>;
}

export default function Visit({ initial, run: asked, stage: askedStage, brought }: Props) {
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

  // Noted once: the address forgets it, so that loading the page again notes nothing.
  const { write } = record;
  const noted = useRef(false);
  useEffect(() => {
    if (!brought || noted.current || runId === null || runId !== asked) return;
    noted.current = true;
    write('end-seen', runId, brought);
    history.replaceState(null, '', `?run=${runId}&stage=look`);
  }, [brought, runId, asked, write]);

  if (!run) return <p className="p-5">This visit has no runs.</p>;
  const choose = (id: string) => {
    setRunId(id);
    setChosen(null);
    history.replaceState(null, '', `?run=${id}`);
  };
  const { visit } = record.sheet;
  const raise = () => {
    setAlarm(true);
    window.scrollTo({ top: 0 });
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[15rem_minmax(0,1fr)]">
      <aside aria-label="Visit" className="min-w-0 border-b border-ink lg:border-r lg:border-b-0">
        <div className="px-4 pt-2 pb-1 max-lg:flex max-lg:flex-wrap max-lg:items-baseline max-lg:gap-x-3 lg:pt-3 lg:pb-2">
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
        <div className="grid gap-2 px-4 max-lg:hidden lg:py-3">
          <button type="button" className="key key-alarm" onClick={raise}>
            Running? Water off now
          </button>
          <a className="inline-flex min-h-8 items-center" href={`/api/v1/visits/${visit.id}/file`}>
            Export this visit
          </a>
        </div>
      </aside>
      <div className="min-w-0">
        <Connection record={record} />
        <div role="tablist" aria-label="Stages" className="grid grid-cols-6 border-b border-ink">
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
              {STAGE_NAMES[s]} <span className="text-base text-soft max-md:hidden">{i + 1}</span>
              {state && isDone(s, state) && (
                <span className="text-base">
                  ✓ <span className="max-xl:sr-only">done</span>
                </span>
              )}
            </button>
          ))}
        </div>
        {!catalogue || !state ? (
          <p className="p-5">Reading the parts ...</p>
        ) : (
          <>
            <RunningLeak run={run} state={state} write={record.write} open={alarm} onClose={() => setAlarm(false)} />
            <div className="grid grid-cols-[6.25rem_minmax(0,1fr)] lg:block">
              <TheLine run={run} state={state} catalogue={catalogue} ringed={jointUnderWork(state, stage)} />
              <div
                id="panel"
                role="tabpanel"
                aria-labelledby={`tab-${stage}`}
                className="border-ink p-3 max-lg:border-l max-lg:border-rule md:px-6 lg:py-4"
              >
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
                  timeZone={visit.premises.timeZone}
                  entries={record.entries}
                  outlets={outletsOf(run, record.sheet.runs, states)}
                  go={(s) => setChosen(s)}
                />
              </div>
            </div>
          </>
        )}
      </div>
      <div className="sticky bottom-0 z-10 grid border-t border-ink bg-paper p-2 lg:hidden">
        <button type="button" className="key key-alarm justify-center" onClick={raise}>
          Running? Water off now
        </button>
      </div>
      <p className="px-4 py-2 lg:hidden">
        <a className="inline-flex min-h-12 items-center" href={`/api/v1/visits/${visit.id}/file`}>
          Export this visit
        </a>
      </p>
    </div>
  );
}

/** The joint that the card's present step makes, or the one that is not dry. */
function jointUnderWork(state: RunState, stage: Stage): number | null {
  if (stage === 'make') return state.card.find((step) => step.stage === 'make' && !state.done[step.id])?.joint ?? null;
  return stage === 'prove' ? (state.joints.find((j) => j.finding !== null)?.n ?? null) : null;
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

function outletsOf(run: RunRow, rows: RunRow[], states: Map<string, RunState> | null): FreeOutlet[] {
  const runs = rows.flatMap((r) => {
    const state = states?.get(r.id);
    return state ? [{ ...r, state }] : [];
  });
  const own = runs.find((r) => r.id === run.id);
  return own ? outletsFor(own, runs) : [];
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
      ref={current ? showInRow : undefined}
      aria-current={current ? 'true' : undefined}
      className={`block min-h-12 w-full min-w-40 cursor-pointer border-t border-rule px-4 py-1.5 text-left lg:min-h-16 lg:py-2 ${current ? 'border-l-6 border-l-brass-deep bg-sheet' : ''}`}
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

/** On a phone the runs stand in a row that scrolls: the present one is brought into it. */
function showInRow(button: HTMLButtonElement | null): void {
  const row = button?.parentElement;
  if (row) row.scrollLeft = button.offsetLeft - row.offsetLeft - (row.clientWidth - button.clientWidth) / 2;
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

function TheLine({ run, state, catalogue, ringed }: { run: RunRow; state: RunState; catalogue: ClientCatalogue; ringed: number | null }) {
  const { accepted } = state;
  const marks: JointMark[] | undefined =
    accepted === null
      ? undefined
      : state.joints.map((j) => ({
          n: j.n,
          state: j.proven ? 'proven' : j.made ? 'made' : 'not made',
          finding: j.finding,
          note: j.finding ?? '',
        }));
  const [from, to] = accepted ? [accepted.from, accepted.to] : [state.from?.end ?? null, state.to?.end ?? null];
  const said = marks ? `The line of ${run.name}: ${marks.map((m) => `J${m.n} ${m.finding ?? m.state}`).join(', ')}` : `The two ends of ${run.name}`;
  return (
    <div className="border-ink bg-sheet max-lg:sticky max-lg:top-0 max-lg:self-start max-lg:py-2 lg:border-b lg:px-2 lg:pt-2">
      {(from ?? to) ? (
        <Line {...{ from, to, ringed, marks }} chain={accepted?.chain ?? null} parts={catalogue.parts} water={run.water} title={said} />
      ) : (
        <p className="px-2 py-3 text-soft lg:px-4">Neither end is looked at yet: the line is drawn here as it becomes known.</p>
      )}
    </div>
  );
}
