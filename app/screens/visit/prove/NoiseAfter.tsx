import { NOISES, type Noise, noiseCompared } from '../../../../record/index.ts';
import type { StageProps } from '../stage-props.ts';
import { BangHere } from './BangHere.tsx';

/** What is heard when the appliance works and shuts, beside what was heard before the work. */
export default function NoiseAfter(props: Pick<StageProps, 'run' | 'context' | 'state' | 'catalogue' | 'visitId' | 'write'>) {
  const { run, state, write } = props;
  const { noiseAfter, survey } = state;
  const said = noiseCompared(survey.baseline?.noise, noiseAfter);
  return (
    <section className="mt-4" aria-label="Noise">
      <h2>Noise, working and shutting</h2>
      <p className="text-soft">
        {survey.baseline?.noise ? `Before the work: ${NOISES[survey.baseline.noise]}.` : 'Before the work nobody listened.'} And now?
      </p>
      <div className="mt-1 flex flex-wrap gap-2">
        {(Object.keys(NOISES) as Noise[]).map((noise) => (
          <button
            key={noise}
            type="button"
            className="key"
            aria-pressed={noiseAfter === noise}
            onClick={() => write('noise-heard', run.id, { noise })}
          >
            {NOISES[noise]}
          </button>
        ))}
      </div>
      {said && <p className={`mt-2 ${said.isWorse ? 'caution' : ''}`}>{said.words}</p>}
      <BangHere {...props} />
      {said?.isWorse && noiseAfter === 'bang' && (
        <p className="mt-1">A valve that snaps shut bangs: an arrestor near it, or a slower stop. Banging loosens joints.</p>
      )}
    </section>
  );
}
