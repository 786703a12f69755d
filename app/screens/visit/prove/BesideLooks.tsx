import { ROUNDS } from '../../../../core/index.ts';
import { besideLooks } from '../../../../record/index.ts';
import { Step } from '../card/Step.tsx';
import type { StageProps } from '../stage-props.ts';
import { type Target, targetsOf } from './target.ts';

/** What wants a tick beside the looks, once the line stood dry: power on again, what is asked before a wall is closed. */
export function BesideLooks({ run, context, state, catalogue, write, targets }: StageProps & { targets: Target[] }) {
  const steps = besideLooks(state.card);
  const roundsBefore = (s: (typeof steps)[number]) => state.card.slice(0, state.card.indexOf(s)).flatMap((c) => (c.round ? [c.round] : []));
  const waitsFor = (s: (typeof steps)[number]) =>
    roundsBefore(s)
      .filter((r) => targetsOf(targets, r).some((t) => t.byRound[r]?.state !== 'dry'))
      .at(-1);
  const left = steps.filter((s) => !state.done[s.id]);
  const open = left.filter((s) => waitsFor(s) === undefined);
  const later = left.filter((s) => waitsFor(s) !== undefined);
  if (left.length === 0) return null;
  const told = [...new Set(later.map(waitsFor))].map((r) => ({
    after: ROUNDS.find((x) => x.id === r)?.name.toLowerCase(),
    titles: later.filter((s) => waitsFor(s) === r).map((s) => s.title),
  }));
  const ahead = told.map(({ after, titles }) => (
    <p key={after} className="mt-2 text-soft">
      After the {after} round: {titles.join('; ')}.
    </p>
  ));
  if (open.length === 0) return <div className="mt-4">{ahead}</div>;
  return (
    <section className="mt-4" aria-label="Beside the looks">
      <h2>Beside the looks</h2>
      <ol className="mt-1">
        {open.map((step) => (
          <Step key={step.id} step={step} n={steps.indexOf(step) + 1} done={false} present {...{ run, context, state, catalogue, write }} />
        ))}
      </ol>
      {ahead}
    </section>
  );
}
