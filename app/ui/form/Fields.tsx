import { useId, useState } from 'react';
import * as z from 'zod/mini';
import { lengthTyped, pressureTyped, writeTurns } from '../../../core/index.ts';
import { isOfPress } from '../../../record/index.ts';
import { unitsHere } from '../units/index.ts';

/** A field of an entry's body that is a plain text, figure or yes-and-no. */
type Plain = string | number | boolean;

const isPlain = (value: unknown): value is Plain => ['string', 'number', 'boolean'].includes(typeof value) && !isOfPress(value);

interface Props {
  /** What the body must be, and what follows from the fields that were changed. */
  of: { shape: z.ZodMiniType; agreed?: (body: never, before: never) => unknown };
  body: Record<string, unknown>;
  submit: string;
  onRead: (body: unknown) => void;
  onCancel?: () => void;
}

/** The plain fields of an entry, to be changed; read by its kind's own shape. */
export function Fields({ of: { shape, agreed }, body, submit, onRead, onCancel }: Props) {
  const [fields, setFields] = useState(() => Object.entries(body).filter((f): f is [string, Plain] => isPlain(f[1]) && !follows(f[0], body)));
  const [why, setWhy] = useState('');
  const cancel = onCancel && (
    <button type="button" className="key" onClick={onCancel}>
      Leave it
    </button>
  );
  if (fields.length === 0) {
    return (
      <div className="grid justify-items-start gap-2">
        <p className="text-soft">Nothing of it can be changed by itself: take it back, and enter it again.</p>
        {cancel}
      </div>
    );
  }
  const keep = () => {
    const changed = withUnits({ ...body, ...Object.fromEntries(fields) }, body);
    const read = z.safeParse(shape, agreed ? agreed(changed as never, body as never) : changed);
    if (read.success) return onRead(read.data);
    const issue = read.error.issues[0];
    setWhy(`${nameOf(String(issue?.path[0] ?? 'it'))}: ${issue?.message ?? 'does not read'}.`);
  };
  const set = (at: number, value: Plain) => setFields(fields.map((f, i) => (i === at ? [f[0], value] : f)));
  return (
    <form
      className="mt-2 grid max-w-140 gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      {fields.map(([name, value], i) => (
        <Field key={name} name={name} value={value} choices={choicesOf(shape, name)} onChange={(to) => set(i, to)} />
      ))}
      <div className="flex gap-3">
        <button type="submit" className="key key-main">
          {submit}
        </button>
        {cancel}
      </div>
      <p aria-live="polite">{why}</p>
    </form>
  );
}

/** What an entry is about is not what it says: those are taken back and entered anew. Inches follow from the length as typed. */
const NOT_CHANGED = new Set(['inches', 'begunId', 'stepId', 'wayId', 'catalogueVersion', 'replacesId', 'currency', 'from', 'to', 'rejoin']);

/** What is typed anew and bare is in the unit of the device here too; what was left alone stays as it was. */
function withUnits(changed: Record<string, unknown>, before: Record<string, unknown>): Record<string, unknown> {
  const { text, pressureText } = changed;
  const isNew = (value: unknown, field: string): value is string => typeof value === 'string' && value !== before[field];
  return {
    ...changed,
    ...('inches' in changed && isNew(text, 'text') ? { text: lengthTyped(text, unitsHere()) } : {}),
    ...(isNew(pressureText, 'pressureText') ? { pressureText: pressureTyped(pressureText, unitsHere()) } : {}),
  };
}

/** The pressure too, where it was typed: of an older entry the figure is all there is. */
const follows = (field: string, body: object): boolean => NOT_CHANGED.has(field) || (field === 'pressurePsi' && 'pressureText' in body);

const NAMES: Record<string, string> = {
  turns24: 'Turns past hand-tight',
  elapsedS: 'Watched, seconds',
  end: 'End code',
  text: 'Text',
  targetMlPerDay: 'Target, mL a day',
  recheckHours: 'Look again after, hours',
  ownStop: 'Needs its own stop',
  hidden: 'Joints will be hidden',
  arrestor: 'Needs a hammer arrestor',
  leaveOutlet: 'Leaves an outlet for another run',
  check: 'Needs a vented backflow preventer',
  afterOsmosis: 'Comes after reverse osmosis',
  outOf: 'Comes out of the',
  pressurePsi: 'Static pressure, psi',
  pressureText: 'Static pressure',
};

const nameOf = (field: string): string =>
  NAMES[field] ?? field.charAt(0).toUpperCase() + field.slice(1).replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

/** An empty field is no nought. */
const figureOf = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text));

/** Eighths of a turn up to three, in 24ths. */
const EIGHTHS = Array.from({ length: 25 }, (_, i) => i * 3);

/** What a field may be, where that is a list. */
function choicesOf(shape: z.ZodMiniType, name: string): string[] | null {
  const field = (shape as unknown as { def?: { shape?: Record<string, { def?: { entries?: Record<string, string> } }> } }).def?.shape?.[name];
  return field?.def?.entries ? Object.values(field.def.entries) : null;
}

function Field({ name, value, choices, onChange }: { name: string; value: Plain; choices: string[] | null; onChange: (to: Plain) => void }) {
  const id = useId();
  const [first] = useState(value);
  return (
    <div className="grid gap-1">
      <label className="label" htmlFor={id}>
        {nameOf(name)}
      </label>
      {typeof value === 'boolean' ? (
        <input id={id} type="checkbox" className="size-5" checked={value} onChange={(e) => onChange(e.target.checked)} />
      ) : name === 'turns24' ? (
        <select id={id} className="field" value={String(value)} onChange={(e) => onChange(Number(e.target.value))}>
          {[...new Set([...EIGHTHS, Number(first)])]
            .sort((a, b) => a - b)
            .map((t) => (
              <option key={t} value={t}>
                {writeTurns(t)}
              </option>
            ))}
        </select>
      ) : choices ? (
        <select id={id} className="field" value={String(value)} onChange={(e) => onChange(e.target.value)}>
          {choices.map((c) => (
            <option key={c} value={c}>
              {c.replaceAll('-', ' ')}
            </option>
          ))}
        </select>
      ) : (
        <input
          id={id}
          className="field"
          maxLength={2000}
          inputMode={typeof first === 'number' ? 'decimal' : undefined}
          defaultValue={String(first)}
          onChange={(e) => onChange(typeof first === 'number' ? figureOf(e.target.value) : e.target.value)}
        />
      )}
    </div>
  );
}
