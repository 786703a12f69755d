import { takeAlong, type WorkStep, withQuantities, workKind } from '../../../../core/index.ts';
import type { ReadRun, RunRow, RunState, VisitSheet } from '../../../../record/index.ts';
import { AlongList } from '../../../ui/chains/index.ts';
import { type ClientCatalogue, useShop } from '../../../ui/held/index.ts';
import { PrintHead } from '../../../ui/saved/index.ts';
import { InUnits } from '../../../ui/units/index.ts';
import { SheetKeys } from '../papers/SheetKeys.tsx';
import { StepWords } from './StepWords.tsx';

const STAGES = [
  { id: 'shut', name: 'Shut' },
  { id: 'make', name: 'Make' },
  { id: 'prove', name: 'Prove' },
  { id: 'log', name: 'Log' },
] as const;

/** The whole work cards of a visit, on a table and on paper: what to have along, then every step with its reason and a box to tick. */
export default function CardSheet({ sheet, reads }: { sheet: VisitSheet; reads: Map<string, ReadRun>; catalogue: ClientCatalogue }) {
  const shop = useShop();
  const { visit } = sheet;
  const asked = new URLSearchParams(location.search).get('run');
  const listed = [...reads.values()].flatMap(({ run, state }) => (state && state.offList === null ? [{ run, state }] : []));
  const shown = listed.filter(({ run }) => asked === null || run.id === asked);
  const withCard = shown.filter(({ state }) => state.hasCard);
  const along = takeAlong(withCard.map(({ run, state }) => ({ run: run.name, steps: state.card })));
  return (
    <article className="mx-auto w-full max-w-280 p-4 md:p-6 print:p-0">
      <SheetKeys visitId={visit.id} />
      <PrintHead title={withCard.length > 1 ? 'Work cards' : 'Work card'} {...{ shop, visit }} />
      {shown.length > withCard.length && (
        <p className="caution mt-3">
          No card yet, for want of a chain:{' '}
          {shown
            .filter(({ state }) => !state.hasCard)
            .map(({ run }) => run.name)
            .join(', ')}
          .
        </p>
      )}
      {withCard.length > 0 && <AlongList along={along} day={visit.onDate} />}
      {withCard.map(({ run, state }) => (
        <Card key={run.id} {...{ run, state }} visitId={visit.id} />
      ))}
      <p className="mt-6 border-t border-rule pt-2 text-soft">
        Local code and the maker's instructions come first; where the code asks for a licensed person, use one.
      </p>
    </article>
  );
}

function Card({ run, state, visitId }: { run: RunRow; state: RunState; visitId: string }) {
  const files = `/api/v1/visits/${visitId}/runs/${run.id}`;
  return (
    <section className="mt-6" aria-label={`Card of ${run.name}`}>
      <h2>
        {run.name}, {run.place}: {workKind(run.work).name}
      </h2>
      <p className="flex flex-wrap gap-4 print:hidden">
        <a className="inline-flex min-h-12 items-center" href={`${files}/card.pdf`}>
          As PDF
        </a>
        <a className="inline-flex min-h-12 items-center" href={`${files}/card.md`}>
          As a list of tasks (Markdown)
        </a>
      </p>
      {state.joints.length > 0 && (
        <p>
          {state.joints.map((j) => (
            <span key={j.id} className="mr-4 inline-block">
              <b>{j.label}</b> {j.a} · {j.b}
            </span>
          ))}
        </p>
      )}
      {STAGES.map(({ id, name }) => {
        const steps = state.card.filter((s) => s.stage === id);
        return steps.length === 0 ? null : (
          <section key={id} className="mt-3 print:mt-1">
            <h3 className="text-2xl print:text-lg">{name}</h3>
            <ol className="print:columns-2">
              {steps.map((step) => (
                <Row key={step.id} step={step} n={state.card.indexOf(step) + 1} isDone={state.done[step.id] ?? false} />
              ))}
            </ol>
          </section>
        );
      })}
    </section>
  );
}

function Row({ step, n, isDone }: { step: WorkStep; n: number; isDone: boolean }) {
  return (
    <li className="break-inside-avoid border-b border-rule py-2 print:py-0.5 print:text-xs print:leading-tight">
      <p className="flex items-baseline gap-2 font-bold">
        <span className="inline-block size-4 shrink-0 print:size-3 border border-ink text-center leading-none">{isDone ? '✓' : ''}</span>
        <span>
          {n}. <InUnits said={withQuantities(step.title)} />
        </span>
      </p>
      <div className="pl-6">
        <StepWords step={step} />
        {step.gate && (
          <p className="mt-1 print:mt-0">
            <b>Must be answered:</b> {step.gate}
          </p>
        )}
      </div>
    </li>
  );
}
