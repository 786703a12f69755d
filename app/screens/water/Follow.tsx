import { useState } from 'react';
import { type NetValve, VALVE_KINDS } from '../../../core/index.ts';
import type { WaterThing } from '../../../record/index.ts';
import { Choices } from '../../ui/form/index.ts';
import { valveWords } from '../../ui/water-words.ts';
import { partedBy, type Run, readFeet, withLine, withOutlet, withPipe, withValve } from './draw.ts';
import type { ThingProps } from './thing-props.ts';

const VALVES: [NetValve['kind'], string][] = VALVE_KINDS.map((k) => [k, valveWords(k)]);
/** Bores of usual tube, by what it is called. */
const TUBES: [string, string][] = [
  ['0.43', '3/8'],
  ['0.545', '1/2'],
  ['0.785', '3/4'],
  ['1.025', '1'],
];
type Next = 'valve' | 'line' | 'outlet' | 'heater' | 'meets';
const NEXT: [Next, string][] = [
  ['valve', 'a valve'],
  ['line', 'a pipe to where it parts'],
  ['outlet', 'an outlet'],
  ['heater', 'a heater'],
  ['meets', 'what is drawn already'],
];

/** Following the pipe: what comes next from here. */
export function Follow({ thing, net, nameOf, runsLeft, onDraw }: ThingProps & { thing: Extract<WaterThing, { what: 'place' }> }) {
  const [next, setNext] = useState<Next | null>(null);
  const [tube, setTube] = useState('0.545');
  const [long, setLong] = useState('10');
  const [up, setUp] = useState('0');
  const [name, setName] = useState('');
  const [runId, setRunId] = useState('');
  const [stop, setStop] = useState<NetValve['kind'] | 'none'>('quarter-turn');
  const [other, setOther] = useState('');
  const [lengthFt, upFt] = [readFeet(long), readFeet(up)];
  const isRead = lengthFt !== null && lengthFt >= 0 && upFt !== null;
  const run: Run = { boreIn: Number(tube), lengthFt: lengthFt ?? 0 };
  const done = ({ things, at }: { things: WaterThing[]; at: string }) => {
    onDraw(things, at);
    setNext(null);
    setName('');
    setRunId('');
  };
  const outletName = name.trim() || runsLeft.find((r) => r.id === runId)?.name || '';
  return (
    <div className="grid gap-3">
      <Choices legend="What comes next from here" options={NEXT} value={next} onChange={setNext} />
      {next === 'valve' && (
        <>
          <Choices legend="Of kind" options={VALVES} value={null} onChange={(kind) => done(withValve(thing, kind, 'unknown', name.trim()))} />
          <p className="text-soft">One press draws it, never tried; what is behind it comes next.</p>
        </>
      )}
      {next !== null && next !== 'valve' && (
        <>
          {next === 'outlet' && (
            <>
              {runsLeft.length > 0 && (
                <label className="grid">
                  <span className="label">A run of the book</span>
                  <select className="field" value={runId} onChange={(e) => setRunId(e.target.value)}>
                    <option value="">none of them</option>
                    {runsLeft.map((r) => (
                      <option key={r.id} value={r.id}>
                        {r.name}
                      </option>
                    ))}
                  </select>
                </label>
              )}
              <Choices
                legend="Its own stop"
                options={[...VALVES.slice(0, 4), ['none', 'none'] as ['none', string]]}
                value={stop}
                onChange={setStop}
              />
            </>
          )}
          {(next === 'outlet' || next === 'heater') && (
            <label className="grid">
              <span className="label">Name</span>
              <input
                className="field field-name"
                maxLength={120}
                value={name}
                onChange={(e) => setName(e.target.value)}
                placeholder={outletName || undefined}
              />
            </label>
          )}
          {next === 'meets' && (
            <label className="grid">
              <span className="label">The pipe comes to</span>
              <select className="field" value={other} onChange={(e) => setOther(e.target.value)}>
                <option value="">choose</option>
                {net.places
                  .filter((p) => p.id !== thing.id)
                  .map((p) => (
                    <option key={p.id} value={p.id}>
                      {nameOf(p.id)}
                    </option>
                  ))}
              </select>
            </label>
          )}
          <Choices legend="Tube, nominal in" options={TUBES} value={tube} onChange={setTube} />
          <div className="grid grid-cols-2 gap-2">
            <label className="grid content-end">
              <span className="label">Long, ft</span>
              <input
                className="field"
                inputMode="decimal"
                maxLength={20}
                value={long}
                aria-invalid={lengthFt === null}
                onChange={(e) => setLong(e.target.value)}
              />
            </label>
            {next !== 'meets' && (
              <label className="grid content-end">
                <span className="label">Up from here, ft (down: -)</span>
                <input className="field" maxLength={20} value={up} aria-invalid={upFt === null} onChange={(e) => setUp(e.target.value)} />
              </label>
            )}
          </div>
          {!isRead && <p role="alert">Feet as 12, or 3 m; down as -9.</p>}
          <button
            type="button"
            className="key key-main justify-self-start"
            disabled={!isRead || (next === 'outlet' && outletName === '') || (next === 'meets' && other === '')}
            onClick={() => {
              if (next === 'line') done(withLine(thing, run, upFt!));
              if (next === 'heater') done(withLine(thing, run, upFt!, 'heater', name.trim() || 'Water heater'));
              if (next === 'outlet') done(withOutlet(thing, outletName, run, upFt!, stop === 'none' ? null : [stop, 'unknown'], runId || null));
              if (next === 'meets') done(withPipe(thing, other, run));
            }}
          >
            Draw it
          </button>
        </>
      )}
    </div>
  );
}

/** A valve met in a pipe that is drawn. */
export function PartPipe({ net, thing, onDraw }: Pick<ThingProps, 'net' | 'onDraw'> & { thing: Extract<WaterThing, { what: 'pipe' }> }) {
  return (
    <Choices
      legend="A valve is in it, of kind"
      options={VALVES}
      value={null}
      onChange={(kind) => {
        const { things, valve } = partedBy(net, thing.id, kind, 'unknown', '');
        onDraw(things, valve);
      }}
    />
  );
}
