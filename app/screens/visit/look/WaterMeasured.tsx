import { useId, useState } from 'react';
import { bucketGpm, flow, pressure, quantityWords } from '../../../../core/index.ts';
import { useUnits } from '../../../ui/units/index.ts';
import type { StageProps } from '../stage-props.ts';
import { PressureField } from './Measures.tsx';
import { readDegF, readGallons } from './read-water.ts';

type Props = Pick<StageProps, 'run' | 'state' | 'write'>;

/** The water as it comes: pressure while it runs, a bucket, and hot where it is. */
export function WaterMeasured({ run, state, write, hot }: Props & { hot: boolean }) {
  return (
    <>
      <Running {...{ run, state, write }} />
      <Bucket {...{ run, state, write }} />
      {hot && <Hot {...{ run, state, write }} />}
    </>
  );
}

function Running({ run, state, write }: Props) {
  const units = useUnits();
  const kept = state.survey.running;
  return (
    <PressureField
      label="Pressure while it runs"
      text={kept?.text ?? ''}
      kept={kept?.psi ?? null}
      onPressure={(text, psi) => psi !== null && write('water-measured', run.id, { of: 'running', text, psi })}
    >
      {kept && `${quantityWords(pressure(kept.psi), units)} kept`}
    </PressureField>
  );
}

function Bucket({ run, state, write }: Props) {
  const units = useUnits();
  const kept = state.survey.bucket;
  const [text, setText] = useState(kept?.text ?? '');
  const [seconds, setSeconds] = useState(kept ? String(kept.seconds) : '');
  const gallons = readGallons(text, units === 'metric');
  const took = Number(seconds);
  const isWhole = text.trim() !== '' && seconds.trim() !== '';
  const isBad = isWhole && (gallons === null || !(took > 0 && took <= 86_400));
  const save = () => {
    if (!isWhole || isBad || gallons === null || (gallons === kept?.gallons && took === kept.seconds)) return;
    const named = /[a-z]/i.test(text) ? text.trim() : `${text.trim()} ${units === 'metric' ? 'L' : 'gal'}`;
    write('water-measured', run.id, { of: 'bucket', text: named.slice(0, 40), gallons, seconds: took });
  };
  const keep = (e: { key: string }) => e.key === 'Enter' && save();
  return (
    <fieldset className="flex flex-wrap items-end gap-x-3">
      <legend className="label">A bucket at the stop, fully open</legend>
      <label className="grid">
        <span>Volume ({units === 'metric' ? 'L' : 'gal'})</span>
        <input
          className="field max-w-28"
          maxLength={12}
          value={text}
          onChange={(e) => setText(e.target.value)}
          onBlur={save}
          onKeyDown={keep}
          aria-invalid={isBad}
        />
      </label>
      <label className="grid">
        <span>Seconds</span>
        <input
          className="field max-w-24"
          inputMode="decimal"
          maxLength={7}
          value={seconds}
          onChange={(e) => setSeconds(e.target.value)}
          onBlur={save}
          onKeyDown={keep}
          aria-invalid={isBad}
        />
      </label>
      <span aria-live="polite">
        {isBad ? 'A volume as 1, 2 qt or 5 L, and seconds.' : kept ? `${quantityWords(flow(bucketGpm(kept)), units)} kept` : ''}
      </span>
    </fieldset>
  );
}

function Hot({ run, state, write }: Props) {
  const units = useUnits();
  const id = useId();
  const kept = state.survey.hot;
  const [text, setText] = useState(kept?.text ?? '');
  const degF = readDegF(text, units === 'metric');
  const isBad = text.trim() !== '' && degF === null;
  const save = () => {
    if (degF === null || degF === kept?.degF) return;
    write('water-measured', run.id, { of: 'hot', text: /[fc]/i.test(text) ? text.trim() : `${text.trim()} ${units === 'metric' ? 'C' : 'F'}`, degF });
  };
  return (
    <div>
      <label className="label block" htmlFor={id}>
        Hot at the outlet ({units === 'metric' ? 'C' : 'F'})
      </label>
      <input
        id={id}
        className="field max-w-40"
        maxLength={8}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onBlur={save}
        onKeyDown={(e) => e.key === 'Enter' && save()}
        aria-invalid={isBad}
      />
      <span className="ml-3" aria-live="polite">
        {isBad ? 'From 32 F to 212 F, or 0 C to 100 C.' : kept ? `${kept.text} kept` : ''}
      </span>
    </div>
  );
}
