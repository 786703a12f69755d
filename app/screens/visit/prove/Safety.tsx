import { useEffect, useState } from 'react';
import { SAFETY_DEVICES, type SafetyDevice } from '../../../../record/index.ts';
import { clock, localTime } from '../../../ui/words.ts';
import type { StageProps } from '../stage-props.ts';

type Props = Pick<StageProps, 'run' | 'state' | 'write' | 'timeZone'>;

/** By what a card says of it. */
const DEVICE_OF: [word: string, device: SafetyDevice][] = [
  ['float', 'float'],
  ['stop-leak', 'stop-leak'],
  ['relief', 'relief'],
];
const WORDS: Record<SafetyDevice, { begin: string; held: string; failed: string }> = {
  float: { begin: 'It fills now', held: 'It shut', failed: 'It did not shut' },
  'stop-leak': { begin: 'It is wet now', held: 'It tripped, and is set again', failed: 'It did not trip' },
  relief: { begin: 'It is lifted now', held: 'It let go, and closed', failed: 'It did not' },
};

/** Safety devices that the card has tried: the float watched from filling to shut, the stop-leak device from wet to tripped. */
export default function Safety(props: Props) {
  const asked = props.state.card.flatMap((s) => s.acts.filter((a) => a.do === 'try-safety').map((a) => a.on ?? ''));
  const devices = DEVICE_OF.filter(([word]) => asked.some((on) => on.includes(word))).map(([, device]) => device);
  if (devices.length === 0) return null;
  return (
    <section className="mt-4" aria-label="Safety devices">
      <h2>Safety devices</h2>
      {devices.map((device) => (
        <Device key={device} device={device} {...props} />
      ))}
    </section>
  );
}

function Device({ device, run, state, write, timeZone }: Props & { device: SafetyDevice }) {
  const [fromMs, setFromMs] = useState<number | null>(null);
  const [seconds, setSeconds] = useState(0);
  const [newInsert, setNewInsert] = useState(true);
  const [spares, setSpares] = useState('');
  useEffect(() => {
    if (fromMs === null) return;
    const timer = setInterval(() => setSeconds((performance.now() - fromMs) / 1000), 250);
    return () => clearInterval(timer);
  }, [fromMs]);
  const before = state.safety.find((s) => s.body.device === device);
  const words = WORDS[device];
  const end = (held: boolean) => {
    const count = /^\d{1,2}$/.test(spares.trim()) ? Number(spares) : null;
    const timed = fromMs === null ? null : Math.round((performance.now() - fromMs) / 1000);
    write('safety-tried', run.id, {
      device,
      held,
      seconds: timed,
      ...(device === 'stop-leak' ? { newInsert: held && newInsert, spares: count } : {}),
    });
    setFromMs(null);
    setSeconds(0);
  };
  return (
    <div className="mt-2 grid gap-2 border border-rule bg-sheet p-3">
      <h3 className="font-head text-xl font-semibold">{SAFETY_DEVICES[device]}</h3>
      {before && (
        <p className={before.body.held ? '' : 'caution'}>
          {localTime(before.atMs, timeZone)}: {before.body.held ? 'it stopped the water' : 'it did NOT stop the water: shut the stop, and renew it'}
          {before.body.seconds === null ? '' : ` after ${before.body.seconds} s`}
          {typeof before.body.spares === 'number' ? `, ${before.body.spares} spare insert${before.body.spares === 1 ? '' : 's'} by it` : ''}.
        </p>
      )}
      {device === 'stop-leak' && (
        <div className="flex flex-wrap items-end gap-3">
          <label className="choice">
            <input type="checkbox" className="size-5" checked={newInsert} onChange={(e) => setNewInsert(e.target.checked)} /> A new insert goes in
          </label>
          <label className="grid gap-1">
            <span className="label">Spare inserts by it</span>
            <input className="field max-w-24" inputMode="numeric" maxLength={2} value={spares} onChange={(e) => setSpares(e.target.value)} />
          </label>
        </div>
      )}
      <div className="flex flex-wrap items-center gap-3">
        {fromMs === null ? (
          <button type="button" className="key" onClick={() => setFromMs(performance.now())}>
            {words.begin}
          </button>
        ) : (
          <span className="font-head text-3xl font-semibold" role="timer">
            {clock(seconds)}
          </span>
        )}
        <button type="button" className={`key ${fromMs === null ? '' : 'key-main'}`} onClick={() => end(true)}>
          {words.held}
        </button>
        <button type="button" className="key" onClick={() => end(false)}>
          {words.failed}
        </button>
      </div>
    </div>
  );
}
