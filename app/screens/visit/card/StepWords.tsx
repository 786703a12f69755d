import { figureLines, type WorkStep, withQuantities } from '../../../../core/index.ts';
import type { OwnStepMinutes } from '../../../../record/index.ts';
import { InUnits, inUnits, Reasons } from '../../../ui/units/index.ts';
import { minutesWords } from './minutes-words.ts';

/** What a step says: how, with what, by whom, and what to beware of; its figures stand elsewhere while they are measured. */
export function StepWords({ step, isMeasuring = false, own }: { step: WorkStep; isMeasuring?: boolean; own?: OwnStepMinutes }) {
  const hands = [step.people && `${step.people} people`, step.minutes && minutesWords(step, own)].filter(Boolean).join(' · ');
  return (
    <>
      <p className="mt-1 text-lg print:mt-0 print:text-xs print:leading-tight">
        <InUnits said={withQuantities(step.detail)} />
      </p>
      {step.drains?.map((d) => (
        <p key={d.on} className="my-1 print:m-0 print:text-xs">
          <b>{d.on}</b> {d.what}: {d.name}. Looked at: {d.lookedAt}. <span className="text-soft">Weeps: {d.remedies.join(', then ')}.</span>
        </p>
      ))}
      <Figures step={step} isMeasuring={isMeasuring} />
      {step.tool && (
        <p className="text-soft print:hidden">
          Tools: <InUnits said={withQuantities(step.tool)} />
        </p>
      )}
      {step.materials && (
        <p className="text-soft print:hidden">
          To have: <InUnits said={withQuantities(step.materials.map((m) => (m.amount ? `${m.what} (${m.amount})` : m.what)).join(', '))} />
        </p>
      )}
      {hands !== '' && <p className="text-soft print:hidden">{hands}</p>}
      {step.cautions.map((c) => (
        <p key={c} className="caution mt-1 print:m-0 print:border-0 print:p-0 print:text-xs print:leading-tight print:font-bold">
          <InUnits said={withQuantities(c)} />
        </p>
      ))}
      <Reasons because={inUnits(step.because)} />
    </>
  );
}

/** What its sheet says, what was measured, and what they come to. What nobody read yet stands in one line, what nobody measured as room to write it on paper. */
function Figures({ step, isMeasuring }: { step: WorkStep; isMeasuring: boolean }) {
  const unread = isMeasuring ? [] : (step.figures ?? []).filter((f) => f.text === '');
  const blanks = (step.measures ?? []).filter((m) => m.text === '');
  const lines = figureLines({
    ...step,
    ...(isMeasuring ? { figures: [], measures: [], reckoned: [] } : { measures: (step.measures ?? []).filter((m) => m.text !== '') }),
  });
  return (
    <div className="my-1 empty:hidden print:text-xs">
      {lines.map((line) => (
        <p key={line}>
          <InUnits said={withQuantities(line)} />
        </p>
      ))}
      {unread.length > 0 && <p className="text-soft">Not read off its sheet yet (in Look): {unread.map((f) => f.name).join('; ')}.</p>}
      {!isMeasuring && blanks.length > 0 && <p className="hidden print:block">To measure: {blanks.map((m) => `${m.name} ______`).join('; ')}</p>}
    </div>
  );
}
