import type { Cause } from '../../../../core/index.ts';
import type { StageProps } from '../stage-props.ts';

/** What the customer or the place complains of, and what may cause it: those first that the survey points to. */
export function Complaints({ run, context, state, write, causes }: Pick<StageProps, 'run' | 'context' | 'state' | 'write'> & { causes: Cause[] }) {
  const symptoms = [...new Map(context.look.symptoms.map((s) => [s.symptom, s.name]))];
  return (
    <>
      <fieldset className="flex flex-wrap gap-x-4">
        <legend className="label">Complained of, or seen</legend>
        {symptoms.map(([id, name]) => (
          <label key={id} className="flex min-h-12 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={state.survey.symptoms.includes(id)}
              onChange={(e) => write('symptom-told', run.id, { symptom: id, is: e.target.checked })}
            />
            {name}
          </label>
        ))}
      </fieldset>
      {causes.length > 0 && (
        <ol className="list-decimal pl-6">
          {causes.map((c) => (
            <li key={`${c.symptom} ${c.cause}`} className="py-1">
              <span className="text-soft">{c.name}:</span> {c.pointedBy.length > 0 ? <b>{c.cause}</b> : c.cause}
              {c.pointedBy.length > 0 && ' (found here)'}. Look at {c.lookAt}.
            </li>
          ))}
        </ol>
      )}
    </>
  );
}
