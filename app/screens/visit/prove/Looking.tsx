import { useEffect, useState } from 'react';
import {
  dripRate,
  FIRST_DROP_DELAY_MIN,
  type Finding,
  FLOOR_ML_PER_DAY,
  METHODS,
  pooledBound,
  ROUNDS,
  said,
  volume,
  waitAfter,
} from '../../../../core/index.ts';
import type { EntryOf } from '../../../../record/index.ts';
import { useKeys } from '../../../ui/keys/index.ts';
import { InUnits } from '../../../ui/units/index.ts';
import { clock, mlPerDay } from '../../../ui/words.ts';
import type { StageProps } from '../stage-props.ts';
import { elapsedOf } from './stopwatch.ts';
import type { Target } from './target.ts';
import { before, hiddenOf } from './watched-for.ts';

const FINDINGS: { finding: Finding; label: string; keys: string[] }[] = [
  { finding: 'dry', label: 'Dry', keys: ['1', 'd'] },
  { finding: 'damp', label: 'Damp', keys: ['2', 'w'] },
  { finding: 'drip', label: 'Drip', keys: ['3', 'p'] },
  { finding: 'running', label: 'Running', keys: ['4', 'r'] },
];

const ML_PER_GAL = 3785.411784;
const DAYS_A_MONTH = 30;
/** Gallons a month. */
const monthly = (mlADay: number): number => (mlADay * DAYS_A_MONTH) / ML_PER_GAL;

/** The running clock. It leads with what is still needed, and never flatters. */
export function Looking({ open, targets, state, run, write }: StageProps & { open: EntryOf<'look-begun'>[]; targets: Target[] }) {
  const { proof } = state;
  const [, tick] = useState(0);
  const [picked, setPicked] = useState<string>('all');
  const [drops, setDrops] = useState('');
  useEffect(() => {
    const timer = setInterval(() => tick((n) => n + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  const first = open[0]!;
  const elapsedS = elapsedOf(first);
  const { round, method } = first.body;
  const { dropMl } = METHODS[method];
  const pressure = ROUNDS.find((r) => r.id === round)?.pressure ?? false;
  const isAgain = round === 'next-day';
  const goal = isAgain ? proof.againMlPerDay : state.targetMlPerDay;
  const isBounded = isAgain || proof.doorMlPerDay !== null;
  // Of the joints looked at the one that needs longest, with what was seen dry at it before.
  const each = open.map((l) => {
    const target = targets.find((t) => t.id === (l.jointId ?? l.checkPointId));
    return { looks: before(target, round, proof.rule), hiddenMl: hiddenOf(targets, l) };
  });
  const waitMin = Math.max(...each.map((of) => waitAfter({ ...of, targetMlPerDay: goal, dropMl, delayMin: FIRST_DROP_DELAY_MIN }).minutes));
  const bounds = each.map(
    ({ looks, hiddenMl }) =>
      pooledBound({
        looks: [...looks, { waitMin: elapsedS / 60, dropMl, hiddenMl }],
        delayMin: FIRST_DROP_DELAY_MIN,
        floorMlPerDay: FLOOR_ML_PER_DAY,
      }).mlPerDay,
  );
  const bound = bounds.some((b) => b === null) ? null : Math.max(...bounds.map((b) => b ?? 0));
  const leftS = isBounded ? waitMin * 60 - elapsedS : 0;
  const looking = open.filter((l) => picked === 'all' || (l.jointId ?? l.checkPointId) === picked);
  const end = (finding: Finding) => {
    const counted = finding === 'drip' && /^\d+$/.test(drops) ? Number(drops) : null;
    for (const look of looking) {
      write(
        'look-ended',
        run.id,
        { begunId: look.id, finding, drops: counted, elapsedS: Math.round(elapsedOf(look)) },
        look.jointId ? { jointId: look.jointId } : { checkPointId: look.checkPointId ?? undefined },
      );
    }
    setPicked('all');
    setDrops('');
  };
  /** With all of them picked only dry can be said: what is not dry is at one of them. */
  const isShut = (finding: Finding) => picked === 'all' && finding !== 'dry' && finding !== 'normal' && open.length > 1;
  useKeys(Object.fromEntries(FINDINGS.flatMap((f) => f.keys.map((key) => [key, isShut(f.finding) ? null : () => end(f.finding)] as const))));
  const rate = /^\d+$/.test(drops) && elapsedS > 0 ? dripRate({ drops: Number(drops), minutes: elapsedS / 60 }) : null;
  return (
    <div className="grid gap-3 border-2 border-ink bg-sheet p-4">
      <p className="label">
        {ROUNDS.find((r) => r.id === round)?.name}, {METHODS[method].name}
      </p>
      {pressure ? (
        <p className="font-head text-4xl font-semibold" role="timer">
          {leftS > 0 ? `${clock(leftS)} more` : `${clock(elapsedS)} watched`}
        </p>
      ) : (
        <p className="font-head text-4xl font-semibold" role="timer">
          {clock(elapsedS)}
        </p>
      )}
      <p className="text-lg">
        {!pressure
          ? 'No pressure yet: this round finds, it does not bound a leak.'
          : !isBounded
            ? 'Seen dry is enough at the door; the look a day later bounds the leak.'
            : leftS > 0
              ? `for ${goal} mL a day. So far: ${bound === null ? 'nothing proven yet' : `dry would prove under ${mlPerDay(bound)} mL a day at 95 %`}.`
              : `Dry proves under ${mlPerDay(bound ?? goal)} mL a day at 95 %: enough.`}
      </p>
      <label className="grid gap-1">
        <span className="label">What you see, at</span>
        <select className="field" value={picked} onChange={(e) => setPicked(e.target.value)}>
          <option value="all">all of them</option>
          {open.map((l) => {
            const t = targets.find((x) => x.id === (l.jointId ?? l.checkPointId));
            return t ? (
              <option key={t.id} value={t.id}>
                {t.label} {t.what}
              </option>
            ) : null;
          })}
        </select>
      </label>
      <div className="grid grid-cols-2 gap-2">
        {FINDINGS.map((f) => (
          <button
            key={f.finding}
            type="button"
            className={`key ${f.finding === 'dry' ? 'key-main' : f.finding === 'running' ? 'key-alarm' : ''}`}
            disabled={isShut(f.finding)}
            onClick={() => end(f.finding)}
          >
            {f.label} <kbd>{f.keys[0]}</kbd>
          </button>
        ))}
      </div>
      {picked === 'all' && open.length > 1 && <p className="text-soft">Not dry? Say at which joint first.</p>}
      <button type="button" className="min-h-10 cursor-pointer text-left underline" onClick={() => end('normal')}>
        Normal discharge: a frost-free hydrant draining, a vacuum breaker spitting
      </button>
      <label className="grid gap-1">
        <span className="label">Drops counted, for a drip</span>
        <input className="field max-w-32" inputMode="numeric" value={drops} onChange={(e) => setDrops(e.target.value)} />
      </label>
      {rate && (
        <p>
          {rate.perMin[0].toFixed(1)} to {rate.perMin[2].toFixed(1)} drops a minute; {mlPerDay(rate.mlPerDay[0])} to {mlPerDay(rate.mlPerDay[2])} mL a
          day, <InUnits said={said`${volume(monthly(rate.mlPerDay[0]))} to ${volume(monthly(rate.mlPerDay[2]))} a month`} />: at 95 %, drops of 0.05
          to 0.25 mL
        </p>
      )}
    </div>
  );
}
