import { useState } from 'react';
import { type AskedNeed, readLengthIn, readPressurePsi } from '../../../../core/index.ts';
import { pressReason } from '../../../../record/index.ts';
import { ReasonForm } from '../../../ui/form/index.ts';
import { FigureInput, InUnits, ownUnit, useUnits } from '../../../ui/units/index.ts';
import type { StageProps } from '../stage-props.ts';

type Props = Pick<StageProps, 'run' | 'write' | 'state'> & { need: AskedNeed; onDone: () => void };

/** Another figure, another house rule, or nothing, for this run alone; and why. */
export default function ChangeNeed({ need, run, write, state, onDone }: Props) {
  const units = useUnits();
  const of = need.figure?.of === 'pressure' ? 'pressure' : 'length';
  const [text, setText] = useState(need.figure ? String(need.figure.value) : '');
  const [choice, setChoice] = useState<string>(need.options?.find((o) => !need.text.includes(o)) ?? '');
  const figure = (of === 'pressure' ? readPressurePsi(text) : readLengthIn(text)) ?? Number.NaN;
  const isBad = need.figure !== undefined && text.trim() !== '' && !(figure > 0);
  const isOther = need.figure !== undefined && figure > 0 && figure !== need.figure.value;
  const to = need.rule ? choice : isOther ? figure : null;
  const done = state.needChanges.find((c) => c.id === need.id);
  return (
    <div className="mt-2 border-l-4 border-brass-deep bg-sheet px-3 py-2">
      <p>
        <b>
          <InUnits said={need} />
        </b>
        : {need.because}
        {done && (
          <>
            {' '}
            For this run: {done.to === null ? 'left out' : typeof done.to === 'number' ? <InUnits said={need} /> : done.to}, because {done.because}.
          </>
        )}
      </p>
      {need.figure && (
        <label className="mt-2 flex items-center gap-2">
          For this run
          <FigureInput of={of} className="field max-w-32" maxLength={20} value={text} onChange={setText} aria-invalid={isBad} /> {ownUnit(of, units)}
        </label>
      )}
      {isBad && (
        <p role="status">
          That is no figure. Type it as a number, a length also as 14 1/2, 6 ft or 500 mm, a pressure as 80 psi or 5.5 bar; more than 0.
        </p>
      )}
      {need.rule && (
        <label className="mt-2 grid max-w-80 gap-1">
          <span className="label">For this run</span>
          <select className="field" value={choice} onChange={(e) => setChoice(e.target.value)}>
            {need.options?.map((o) => (
              <option key={o}>{o}</option>
            ))}
          </select>
        </label>
      )}
      <ReasonForm
        label="Why it is otherwise for this run"
        submit={to === null ? 'Leave it out for this run' : 'Keep it so for this run'}
        onReason={(because) => {
          // A slip of the finger is not taken for "left out".
          if (isBad) return;
          write('need-changed', run.id, { id: need.id, to, because });
          onDone();
        }}
      >
        {done && (
          <button
            type="button"
            className="key"
            onClick={() => {
              write('withdrawn', run.id, { reason: pressReason('known-again') }, { correctsId: done.entryId });
              onDone();
            }}
          >
            As known again
          </button>
        )}
        <button type="button" className="key" onClick={onDone}>
          Close
        </button>
      </ReasonForm>
    </div>
  );
}
