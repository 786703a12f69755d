import { useState } from 'react';
import { InputError, readLengthIn } from '../../../core/index.ts';
import { FigureInput } from '../../ui/units/index.ts';

type Fields = Readonly<Record<string, readonly [label: string, usual: string]>>;

export interface TypedFigures<F extends Fields> {
  fields: F;
  typed: Record<keyof F, string>;
  set: (field: keyof F, text: string) => void;
  /** What follows from the figures; or which of them does not read, and why. */
  worked: <T>(work: (figures: Record<keyof F, number>) => T) => readonly [fault: string, result: T | null];
}

/** Lengths as typed, by their fields, begun with what is usual. */
export function useFigures<F extends Fields>(fields: F): TypedFigures<F> {
  const [typed, setTyped] = useState(
    () => Object.fromEntries(Object.entries(fields).map(([key, [, usual]]) => [key, usual])) as Record<keyof F, string>,
  );
  const worked: TypedFigures<F>['worked'] = (work) => {
    const read = Object.entries(typed).map(([key, text]) => [key, readLengthIn(text as string)] as const);
    const bad = read.find(([, inches]) => inches === null);
    if (bad) return [`${fields[bad[0]]![0]}: type inches as 14 or 14 1/2, feet as 6 ft, or 360 mm.`, null];
    try {
      return ['', work(Object.fromEntries(read) as Record<keyof F, number>)];
    } catch (error) {
      if (error instanceof InputError) return [`${fields[error.field]?.[0] ?? error.field}: ${error.remedy}`, null];
      throw error;
    }
  };
  return { fields, typed, set: (field, text) => setTyped((t) => ({ ...t, [field]: text })), worked };
}

/** Their fields in rows. */
export function Figures<F extends Fields>({ figures: { fields, typed, set } }: { figures: TypedFigures<F> }) {
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
      {Object.entries(fields).map(([key, [label]]) => (
        <label key={key} className="grid content-end">
          <span>{label}</span>
          <FigureInput of="length" className="field" maxLength={30} value={typed[key]!} onChange={(text) => set(key, text)} />
        </label>
      ))}
    </div>
  );
}
