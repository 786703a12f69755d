import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { contextOf, offListReason, type ReadRun, STAGE_NAMES, STAGES, type Stage, type VisitSheet } from '../../../record/index.ts';
import { fetched } from '../../ui/form/index.ts';
import { type ClientCatalogue, namesOf, useCatalogue, useVisit, type VisitRecord, type Write } from '../../ui/held/index.ts';
import { useKeys } from '../../ui/keys/index.ts';
import { type Asked, askedHere, outletsOf } from './asked-here.ts';
import { type Beside, Doors, gatheredCount, PhoneDoors } from './Doors.tsx';
import { jointUnderWork } from './joint-under-work.ts';
import { News } from './News.tsx';
import { OffList } from './OffList.tsx';
import { PANELS } from './panels.tsx';
import { RunningLeak } from './prove/RunningLeak.tsx';
import { Refused } from './Refused.tsx';
import { RunButton } from './RunButton.tsx';
import { StageTabs } from './StageTabs.tsx';
import { Standing } from './Standing.tsx';
import { TheLine } from './TheLine.tsx';
import { useWithFlow } from './use-flow.ts';
import { useNews } from './use-news.ts';
import { useReads } from './use-reads.ts';
import { useWrite } from './use-write.ts';

const Conflicts = fetched('What is to be settled', () => import('./match/Conflicts.tsx'));
const Tissues = fetched('The clocks of the tissues', () => import('./prove/Tissues.tsx'));
const WhatHappened = fetched('What happened here', () => import('./log/WhatHappened.tsx'));

interface Props {
  /** null on a page that was kept for use without a connection: the visit is the address's. */
  initial: VisitSheet | null;
  run: string | null;
  stage: string | null;
  shows: string | null;
  /** The server has none of this id: a device may have made it and not sent it yet. */
  isUnknown: boolean;
  /** The run as the server knows it, to be read until the page answers. */
  first?: ReactNode;
}

export default function Visit({ initial, run, stage, shows, isUnknown, first }: Props) {
  const [asked, setAsked] = useState<Asked | null>(initial && { id: initial.visit.id, run, stage, plan: false, shows, brought: null });
  useEffect(() => setAsked(askedHere()), []);
  const record = useVisit(asked?.id ?? null, initial);
  if (asked && record.sheet) return <OpenVisit key={asked.id} {...{ asked, record, first }} sheet={record.sheet} />;
  if (!record.isRead) return <h1 className="p-5">Reading what this device holds ...</h1>;
  if (isUnknown) {
    return (
      <div className="p-5">
        <h1>No such visit</h1>
        <p className="mt-3">
          There is no visit at this address, on the server or on this device. <a href="/">Go to the day sheet.</a>
        </p>
      </div>
    );
  }
  return (
    <div className="p-5">
      <h1>Not on this device</h1>
      <p className="mt-3">
        This device carries the visits of the next 14 days and those that were opened on it. This one wants the connection.{' '}
        <a href="/">Go to the day sheet.</a>
      </p>
    </div>
  );
}

function OpenVisit({ sheet, asked, record, first }: { sheet: VisitSheet; asked: Asked; record: VisitRecord; first: ReactNode }) {
  const { isRead } = record;
  const catalogue = useWithFlow(useCatalogue());
  const [runId, setRunId] = useState(asked.run && sheet.runs.some((r) => r.id === asked.run) ? asked.run : (sheet.runs[0]?.id ?? null));
  const [chosen, setChosen] = useState<Stage | null>(STAGES.includes(asked.stage as Stage) ? (asked.stage as Stage) : null);
  const [alarm, setAlarm] = useState(false);
  const [opened, setOpen] = useState<Beside | null | undefined>(undefined);
  const open = opened === undefined && asked.plan ? 'plan' : (opened ?? null);
  const names = useMemo(() => namesOf(catalogue), [catalogue]);
  // Until the store is read nobody presses on what the server alone knows.
  const reads = useReads(sheet, isRead ? catalogue : null);
  const { write, ...pressed } = useWrite(record, sheet, isRead ? catalogue : null, reads);
  const [showsHistory, setShowsHistory] = useState(false);
  const run = sheet.runs.find((r) => r.id === runId) ?? sheet.runs[0];
  const { news, markSeen } = useNews(sheet.entries, run?.id ?? '', isRead);
  const read = run && reads?.get(run.id);
  const state = read?.state;
  const stage = chosen ?? state?.stage ?? 'log';

  // A run opens at the stage it has come to and stays there until the user goes on: nothing moves under a thumb.
  const opensAt = state ? (state.stage ?? 'log') : null;
  useEffect(() => {
    if (chosen === null && opensAt !== null) setChosen(opensAt);
  }, [chosen, opensAt]);
  // A page that is loaded again opens where its user went.
  const goTo = (to: Stage) => {
    setChosen(to);
    if (run) history.replaceState(null, '', `?run=${run.id}&stage=${to}`);
  };
  useKeys({
    ...Object.fromEntries(STAGES.map((s, i) => [`Alt+${i + 1}`, () => goTo(s)])),
    h: state ? () => setShowsHistory(true) : null,
  });
  useBrought(asked, runId, write);

  if (!run) return catalogue ? <Plan sheet={sheet} catalogue={catalogue} /> : <p className="p-5">Reading the parts ...</p>;
  const choose = (id: string) => {
    setRunId(id);
    setChosen(null);
    history.replaceState(null, '', `?run=${id}`);
  };
  const Printed = SHEETS[asked.shows ?? ''];
  if (Printed) return catalogue && reads ? <Printed {...{ sheet, reads, catalogue }} /> : <p className="p-5">Reading what was recorded ...</p>;
  const { visit } = sheet;
  const raise = () => {
    setAlarm(true);
    window.scrollTo({ top: 0 });
  };
  const Panel = PANELS[stage];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[15rem_minmax(0,1fr)] print:block">
      <aside aria-label="Visit" className="min-w-0 border-b border-ink lg:border-r lg:border-b-0 lg:pb-36">
        <div className="px-4 pt-2 pb-1 short:sr-only max-lg:flex max-lg:flex-wrap max-lg:items-baseline max-lg:gap-x-3 lg:pt-3 lg:pb-2">
          <h1 className="text-2xl">{visit.title}</h1>
          <p className="text-soft">
            <a href={`/premises/${visit.premises.id}`}>{visit.premises.name}</a> · {visit.onDate} {visit.startsAt}
            {visit.cancelled !== null && <b> · cancelled</b>}
          </p>
          <p className="hidden font-head text-xl font-semibold print:block">
            {run.name}: {STAGE_NAMES[stage]}
          </p>
        </div>
        <nav aria-label="Runs" className="flex overflow-x-auto lg:block print:hidden">
          {sheet.runs.map((r) => (
            <RunButton key={r.id} name={r.name} read={reads?.get(r.id)} current={r.id === run.id} onChoose={() => choose(r.id)} />
          ))}
        </nav>
        <Doors visitId={visit.id} gathered={gatheredCount(sheet)} open={open} onOpen={setOpen} onAlarm={raise} />
      </aside>
      <div className="min-w-0">
        {open === 'plan' && catalogue && <Plan sheet={sheet} catalogue={catalogue} onClose={() => setOpen(null)} />}
        {open === 'follow-up' && <FollowUpHere visit={visit} run={run} onClose={() => setOpen(null)} />}
        {open === 'gathered' && <Gathered sheet={sheet} run={run} joints={state?.joints ?? []} onClose={() => setOpen(null)} />}
        {run.recheckOf && (
          <p className="caution m-3 flex flex-wrap items-center gap-3">
            {run.name} is here to be looked at again. What is seen is recorded where it was signed off.
            <a className="key key-main" href={`/visits/${run.recheckOf}?run=${run.id}&stage=prove`}>
              Look at it again
            </a>
          </p>
        )}
        <StageTabs stage={stage} state={state ?? null} onChoose={goTo} />
        {!catalogue || !read ? (
          ((runId === asked.run || asked.run === null) && first) || <p className="p-5">Reading the parts ...</p>
        ) : !state ? (
          <Unreadable read={read} visitId={visit.id} write={write} />
        ) : (
          <>
            <Standing {...{ run, state, stage, reads }} onDate={visit.onDate} go={goTo} chooseRun={choose} onHistory={() => setShowsHistory(true)} />
            {hasTissues(reads!) && <Tissues reads={reads!} current={run.id} write={write} />}
            <News {...{ run, state, sheet, news }} onSeen={markSeen} />
            {state.accepted && stage !== 'match' && <EndsChanged state={state} onMatch={() => goTo('match')} />}
            {state.conflicts.length > 0 && <Conflicts {...{ run, state, sheet, write }} />}
            {showsHistory && <WhatHappened {...{ run, state, sheet, write }} onClose={() => setShowsHistory(false)} />}
            <RunningLeak run={run} state={state} mainValve={sheet.mainValve} write={write} open={alarm} onClose={() => setAlarm(false)} />
            <div className="grid grid-cols-[6.25rem_minmax(0,1fr)] lg:block print:block">
              <TheLine run={run} state={state} catalogue={catalogue} ringed={jointUnderWork(state, stage)} />
              <div
                id="panel"
                role="tabpanel"
                aria-labelledby={`tab-${stage}`}
                className="border-ink p-3 max-lg:border-l max-lg:border-rule md:px-6 lg:py-4"
              >
                {state.signedOff && (stage === 'look' || stage === 'match') && (
                  <p className="caution mb-3">Signed off: only read here until it is reopened in Log.</p>
                )}
                {state.offList !== null && <OffList run={run} visitId={visit.id} off={state.offList} write={write} />}
                <Panel
                  key={`${run.id} ${stage}`}
                  run={run}
                  context={contextOf(run, catalogue)}
                  state={state}
                  catalogue={catalogue}
                  names={names}
                  write={write}
                  visitId={visit.id}
                  premisesId={visit.premises.id}
                  timeZone={visit.premises.timeZone}
                  entries={sheet.entries}
                  outlets={outletsOf(run, sheet.runs, reads)}
                  go={goTo}
                  others={[...reads!.values()].filter((r) => r.run.id !== run.id)}
                  chooseRun={choose}
                  onDate={visit.onDate}
                  vanId={visit.vanId}
                  mainValve={sheet.mainValve}
                  gathered={sheet.gathered}
                />
              </div>
            </div>
          </>
        )}
      </div>
      <Refused {...pressed} />
      <div className="pointer-events-none sticky bottom-0 z-10 grid border-ink bg-paper p-2 lg:hidden short:justify-end short:bg-transparent short:p-0 not-short:border-t print:hidden">
        <button type="button" className="key key-alarm pointer-events-auto justify-center" onClick={raise}>
          Running? Water off now
        </button>
      </div>
      <PhoneDoors visitId={visit.id} gathered={gatheredCount(sheet)} onOpen={setOpen} />
    </div>
  );
}

/** Sheets for the customer, each fetched when it is asked for. */
const SHEETS: Record<string, React.ComponentType<{ sheet: VisitSheet; reads: Map<string, ReadRun>; catalogue: ClientCatalogue }>> = {
  estimate: fetched('The estimate', () => import('./papers/Estimate.tsx')),
  report: fetched('The report', () => import('./papers/Report.tsx')),
  card: fetched('The work cards', () => import('./card/CardSheet.tsx')),
};

/** Fetched when they are asked for. */
const EndsChanged = fetched('What another end changes', () => import('./match/EndsChanged.tsx'));
const FollowUpHere = fetched('The follow-up', () => import('./log/FollowUpHere.tsx'));
const Gathered = fetched('Pictures and notes', () => import('./Gathered.tsx'));
const Plan = fetched('The plan', () => import('./Plan.tsx'));

/** What is on record stays; the rest of the visit goes on without this run. */
function Unreadable({ read, visitId, write }: { read: ReadRun; visitId: string; write: Write }) {
  return (
    <div className="p-5">
      <h2>{read.run.name} cannot be read</h2>
      <p className="caution mt-2">{read.unreadable}</p>
      <p className="mt-2">What was recorded on it is kept, and leaves with the visit's file. The other runs of the visit are not touched by it.</p>
      <OffList run={read.run} visitId={visitId} off={offListReason(read)} write={write} />
    </div>
  );
}

/** An end or a length brought along is noted once: the address forgets it, so that loading the page again notes nothing. */
function useBrought({ brought, run }: Asked, runId: string | null, write: Write): void {
  const noted = useRef(false);
  useEffect(() => {
    if (!(brought?.end || brought?.length) || noted.current || runId === null || runId !== run) return;
    noted.current = true;
    if (brought.end) write('end-seen', runId, brought.end);
    if (brought.length) write('distance-measured', runId, brought.length);
    history.replaceState(null, '', `?run=${runId}&stage=look`);
  }, [brought, runId, run, write]);
}

/** Is a tissue left in place at any of the visit's runs? */
const hasTissues = (reads: Map<string, ReadRun>): boolean => [...reads.values()].some(({ state }) => state?.openLooks.some((look) => look.body.left));
