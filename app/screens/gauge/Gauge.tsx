import { useMemo, useState } from 'react';
import { type Identification, InputError, identifyThread, knownAppliances, type Measure } from '../../../core/index.ts';
import { endWanted } from '../../ui/ends/index.ts';
import { AnswerBar, Choices, Select } from '../../ui/form/index.ts';
import { Reasons, useUnits } from '../../ui/units/index.ts';
import { useAddress } from '../../ui/use-address.ts';
import { Candidates } from './Candidates.tsx';
import { answerOf } from './candidate-answer.ts';
import { HowTo, howTo } from './HowTo.tsx';
import { LifeSize } from './LifeSize.tsx';
import { inInches, maybeMm, readingOf, type Typed, worth } from './readings.ts';

const NOTHING: Typed = {
  gender: 'm',
  diameter: '',
  by: 'caliper',
  pitch: '',
  pitchBy: 'count',
  tapered: 'unsure',
  flank: 'unsure',
  seat: 'unsure',
  seenOn: '',
};

const MEASURE_NAMES: Record<Measure, string> = {
  diameter: 'the diameter',
  pitch: 'the pitch, with a gauge',
  taper: 'whether it tapers',
  flank: 'the flanks',
  seat: 'the seat',
};

/** What thread is it: readings on one side, candidates narrowing on the other. */
export default function Gauge({ appliances, address }: { appliances: { id: string; name: string }[]; address: Record<string, string> }) {
  const units = useUnits();
  const wanted = endWanted(new URLSearchParams(useAddress(address)));
  const [typed, setTyped] = useState(NOTHING);
  const set = (change: Partial<Typed>) => setTyped((t) => ({ ...t, ...change }));
  const result = useMemo((): Identification | string => {
    try {
      return identifyThread(readingOf(typed, units));
    } catch (error) {
      if (error instanceof InputError) return error.message;
      throw error;
    }
  }, [typed, units]);
  const nothingRead = typed.diameter.trim() === '' && typed.pitch.trim() === '';
  const mm = units === 'metric' ? null : maybeMm(typed.diameter);
  const known = appliances.filter((a) => knownAppliances.includes(a.id));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[25rem_minmax(0,1fr)]">
      <section className="grid content-start gap-3" aria-label="Readings">
        <h1>Thread gauge</h1>
        <p className="caution">Water only. Gas connectors share flare and pipe threads: if it may be gas, stop and call a licensed gas fitter.</p>
        <Choices
          legend="Which is it"
          options={[
            ['m', 'male: outside'],
            ['f', 'female: inside'],
          ]}
          value={typed.gender}
          onChange={(gender) => set({ gender })}
        />
        <div className="grid grid-cols-[minmax(0,1fr)_10.5rem] items-end gap-2">
          <label className="grid gap-1">
            <span className="label">Diameter at the crests, {units === 'metric' ? 'mm' : 'in'}</span>
            <span className="relative block">
              <input
                className="field"
                maxLength={20}
                value={typed.diameter}
                placeholder={units === 'metric' ? '20.9, 13/16' : '0.820, 13/16, 20.9 mm'}
                onChange={(e) => set({ diameter: e.target.value })}
              />
              <span className="pointer-events-none absolute top-3 right-2 bg-sheet text-soft">{inInches(typed.diameter, units)}</span>
            </span>
          </label>
          <Select
            label="by"
            value={typed.by}
            options={[
              ['caliper', 'caliper'],
              ['ruler', 'ruler or card'],
            ]}
            onChange={(by) => set({ by: by as Typed['by'] })}
          />
        </div>
        {mm !== null && (
          <button type="button" className="key justify-self-start" onClick={() => set({ diameter: mm })}>
            {typed.diameter.trim()}: millimetres?
          </button>
        )}
        <div className="grid grid-cols-[minmax(0,1fr)_10.5rem] items-end gap-2">
          <label className="grid gap-1">
            <span className="label">Threads per inch</span>
            <input
              className="field"
              maxLength={20}
              value={typed.pitch}
              placeholder="14, or 1.5 mm"
              onChange={(e) => set({ pitch: e.target.value })}
            />
          </label>
          <Select
            label="by"
            value={typed.pitchBy}
            options={[
              ['count', 'count'],
              ['gauge', 'gauge or comb'],
            ]}
            onChange={(by) => set({ pitchBy: by as Typed['pitchBy'] })}
          />
        </div>
        <Choices
          legend="Does it taper"
          options={[
            ['yes', 'yes'],
            ['no', 'no'],
            ['unsure', 'not sure'],
          ]}
          value={typed.tapered}
          onChange={(tapered) => set({ tapered })}
        />
        <Choices
          legend="Flanks"
          options={[
            ['60', '60°'],
            ['55', '55°'],
            ['unsure', 'not sure'],
          ]}
          value={typed.flank}
          onChange={(flank) => set({ flank })}
        />
        <Choices
          legend="Seat"
          options={[
            ['flat', 'flat'],
            ['cone', 'cone'],
            ['flare', 'flare'],
            ['none', 'none'],
            ['unsure', 'not sure'],
          ]}
          value={typed.seat}
          onChange={(seat) => set({ seat })}
        />
        <Select
          label="Seen on"
          value={typed.seenOn}
          options={[['', 'anything'], ...known.map((a) => [a.id, a.name] as [string, string])]}
          onChange={(seenOn) => set({ seenOn })}
        />
        <button type="button" className="key justify-self-start" onClick={() => setTyped(NOTHING)}>
          Begin again
        </button>
        <AnswerBar to="answer">
          {typeof result === 'string' ? 'A reading will not do: see why' : answerOf(result, typed.gender, nothingRead)}
        </AnswerBar>
      </section>
      <section id="answer" aria-label="Answer" aria-live="polite">
        {typeof result === 'string' ? (
          <p className="caution text-lg">{result}</p>
        ) : (
          <>
            <Candidates result={result} gender={typed.gender} wanted={wanted} nothingRead={nothingRead} />
            {result.next && (
              <div className="mt-4 grid items-center gap-4 border border-ink bg-sheet px-4 py-2 md:grid-cols-[11rem_1fr]">
                <HowTo measure={result.next.measure} />
                <div>
                  <h2>Measure next: {MEASURE_NAMES[result.next.measure]}</h2>
                  <p className="text-lg">{howTo(result.next.measure, units)}.</p>
                  <p>{worth(result.next.gainBits)}</p>
                  <Reasons
                    because={[
                      {
                        rule: 'gain',
                        text: `Of all that could be measured next it is expected to tell the most: ${result.next.gainBits.toFixed(2)} bits.`,
                        source: 'expected gain of information over the candidates',
                      },
                    ]}
                  />
                </div>
              </div>
            )}
            <LifeSize codes={result.answer.slice(0, 6).map((t) => `${t}-${typed.gender}`)} />
          </>
        )}
      </section>
    </div>
  );
}
