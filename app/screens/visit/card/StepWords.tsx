import { type WorkStep, withQuantities } from '../../../../core/index.ts';
import { InUnits } from '../../../ui/InUnits.tsx';
import { Reasons } from '../../../ui/Reasons.tsx';

/** What a step says: how, with what, by whom, and what to beware of. */
export function StepWords({ step }: { step: WorkStep }) {
  const hands = [step.people && `${step.people} people`, step.minutes && `about ${step.minutes} min`].filter(Boolean).join(' · ');
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
      {step.figures && <Figures figures={step.figures} />}
      {step.tool && <p className="text-soft print:hidden">Tools: {step.tool}</p>}
      {step.materials && (
        <p className="text-soft print:hidden">To have: {step.materials.map((m) => (m.amount ? `${m.what} (${m.amount})` : m.what)).join(', ')}</p>
      )}
      {hands !== '' && <p className="text-soft print:hidden">{hands}</p>}
      {step.cautions.map((c) => (
        <p key={c} className="caution mt-1 print:m-0 print:border-0 print:p-0 print:text-xs print:leading-tight print:font-bold">
          <InUnits said={withQuantities(c)} />
        </p>
      ))}
      <Reasons because={step.because.map((r) => ({ ...r, ...withQuantities(r.text) }))} />
    </>
  );
}

/** What its sheet says, to be held against what is there; what nobody read yet in one line. */
function Figures({ figures }: { figures: NonNullable<WorkStep['figures']> }) {
  const unread = figures.filter((f) => f.text === '');
  return (
    <div className="my-1 print:text-xs">
      {figures
        .filter((f) => f.text !== '')
        .map((f) => (
          <p key={f.name}>
            Its sheet, {f.name}: <b>{f.text}</b>
          </p>
        ))}
      {unread.length > 0 && <p className="text-soft">Not read off its sheet yet (in Look): {unread.map((f) => f.name).join('; ')}.</p>}
    </div>
  );
}
