import { endLabel, type Part } from '../../../../core/index.ts';
import type { StageProps } from '../stage-props.ts';

/** That one is not sure of an end, and what else it may be. */
export function Doubted({ side, run, state, write }: Pick<StageProps, 'run' | 'state' | 'write'> & { side: 'from' | 'to' }) {
  const seen = state[side];
  if (!seen?.end) return null;
  const { doubt, ...sure } = seen;
  return (
    <label className="flex min-h-12 items-center gap-2">
      <input
        type="checkbox"
        className="size-5"
        checked={doubt !== undefined}
        onChange={(e) => write('end-seen', run.id, e.target.checked ? { ...sure, doubt: { others: [] } } : sure)}
      />
      <span>
        {side === 'from' ? 'not sure of the water side' : 'not sure of the inlet'}
        {doubt && doubt.others.length > 0 && `: or ${doubt.others.map(endLabel).join(', ')}`}
      </span>
    </label>
  );
}

/** The water side as it is asked for: where the stop goes, it is what the stop sits on. */
export const waterSideLabel = (isStopGoing: boolean): string =>
  isStopGoing ? 'Water side: what the old stop sits on' : 'Water side: what it comes from';

/** Where the stop goes and the water side is one of its outlets, the chain would begin at what is taken away. */
export function BeginsAtStop({ isStopGoing, end, parts }: { isStopGoing: boolean; end: string | null; parts: readonly Part[] }) {
  const stops = parts.filter((p) => p.kind === 'stop');
  const has = (port: 'in' | 'out') => stops.some((p) => p.ends.some((e) => e.code === end && e.port === port));
  if (!isStopGoing || end === null || !has('out') || has('in')) return null;
  return (
    <p className="caution" role="alert">
      {endLabel(end)} is the outlet of a stop, and this stop goes. Note what it sits on: the pipe or thread behind it, as it will be once the stop is
      off.
    </p>
  );
}
