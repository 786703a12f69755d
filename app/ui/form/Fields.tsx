import { useId, useState } from 'react';
import * as z from 'zod/mini';
import { writeTurns } from '../../../core/index.ts';
import { choicesOf, figureOf, follows, isPlain, nameOf, type Plain, withUnits } from './fields-of.ts';

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

/** Eighths of a turn up to three, in 24ths. */
const EIGHTHS = Array.from({ length: 25 }, (_, i) => i * 3);

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
