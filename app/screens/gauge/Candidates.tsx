import { diameter, endLabel, type Identification, said, threadById, writeFraction } from '../../../core/index.ts';
import { Outline } from '../../ui/drawn/index.ts';
import { type EndDoubt, type EndWanted, takeEndTo } from '../../ui/ends/index.ts';
import { InUnits, Reasons } from '../../ui/units/index.ts';
import { answerOf } from './candidate-answer.ts';

/** Pixels for an inch: all candidates at one scale. */
const SCALE = 84;
const SHOWN = 8;

interface Props {
  result: Identification;
  gender: 'm' | 'f';
  nothingRead: boolean;
  /** Who wants the end that is found here. */
  wanted: EndWanted;
}

/** The answer first, then the candidates at one scale, the likeliest first. */
export function Candidates({ result, gender, nothingRead, wanted }: Props) {
  const { answer, candidates, unlike } = result;
  /** Taken though the readings leave others, it stays in doubt on the run. */
  const doubtOf = (c: Identification['candidates'][number]): EndDoubt | undefined => {
    const others = answer.filter((t) => t !== c.thread).map((t) => `${t}-${gender}`);
    return nothingRead || others.length === 0 ? undefined : { share: c.probability, others };
  };
  const rows = candidates.slice(0, Math.min(SHOWN, Math.max(3, answer.length)));
  return (
    <div>
      <h2 className="text-3xl">{answerOf(result, gender, nothingRead)}</h2>
      {!nothingRead && !unlike && answer.length > 1 && (
        <p className="text-soft">It is one of these, nineteen times in twenty. Take nothing for granted until one is left.</p>
      )}
      <ol className="mt-2">
        {rows.map((c) => (
          <li
            key={c.thread}
            className={`grid items-center gap-x-4 border-b border-rule py-2 md:grid-cols-[8rem_minmax(0,1fr)_auto] ${answer.includes(c.thread) && !nothingRead ? '' : 'text-soft'}`}
          >
            <Outline code={`${c.thread}-${gender}`} scale={SCALE} />
            <div>
              <b className="text-lg">{endLabel(`${c.thread}-${gender}`)}</b>
              <div>
                <InUnits said={said`${diameter(threadById(c.thread)!.externalMajorIn, 3)} over the male crests`} />,{' '}
                {writeFraction(threadById(c.thread)!.threadsPerIn, 2)} an inch, {threadById(c.thread)!.tapered ? 'tapered' : 'straight'},{' '}
                {threadById(c.thread)!.includedAngleDeg} degrees
              </div>
              <Reasons because={c.because} />
            </div>
            <div className="flex items-center gap-3">
              <div className="text-right">
                <div className="font-head text-2xl font-semibold text-ink">{percent(c.probability)}</div>
                <svg width="96" height="6" className="block bg-faint" aria-hidden="true">
                  <rect width={96 * c.probability} height="6" className="fill-ink" />
                </svg>
              </div>
              <TakeIt code={`${c.thread}-${gender}`} wanted={wanted} doubt={doubtOf(c)} />
            </div>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** Back to the run that wants it; else to either side of the match bench. */
function TakeIt({ code, wanted, doubt }: { code: string; wanted: EndWanted; doubt: EndDoubt | undefined }) {
  const sides = wanted.run ? [wanted.side] : (['from', 'to'] as const);
  return (
    <span className="grid">
      {sides.map((side) => (
        <a key={side} className="inline-flex min-h-8 items-center" href={takeEndTo({ ...wanted, side }, code, 'measured', doubt)}>
          {wanted.run ? 'use it there' : `use as ${side}`}
        </a>
      ))}
    </span>
  );
}

const percent = (p: number) => (p >= 0.995 ? 'over 99 %' : p < 0.01 ? 'under 1 %' : `${Math.round(p * 100)} %`);
