import { useId, useState } from 'react';
import * as z from 'zod/mini';
import { kindOf } from '../../../record/index.ts';
import type { Outgoing } from '../../../sync/device.ts';

/** A field of an entry's body that is a plain text, figure or yes-and-no. */
type Plain = string | number | boolean;

const isPlain = (value: unknown): value is Plain => ['string', 'number', 'boolean'].includes(typeof value);

/** Puts a refused entry right: its plain fields can be changed; it is kept anew, checked by its kind's own shape. */
export function Mend({ of, onMend }: { of: Outgoing; onMend: (body: unknown) => void }) {
  const body = of.entry.body as Record<string, unknown>;
  const [fields, setFields] = useState(() => Object.entries(body).filter((f): f is [string, Plain] => isPlain(f[1])));
  const [why, setWhy] = useState('');
  if (fields.length === 0) return <p className="text-soft">Nothing of it can be mended here: enter it again at the run, then put this one away.</p>;
  const keep = () => {
    const mended = { ...body, ...Object.fromEntries(fields) };
    const read = z.safeParse(kindOf(of.entry.kind)!.shape, mended);
    if (read.success) return onMend(read.data);
    const issue = read.error.issues[0];
    setWhy(`${String(issue?.path[0] ?? 'it')}: ${issue?.message ?? 'does not read'}.`);
  };
  const set = (at: number, value: Plain) => setFields(fields.map((f, i) => (i === at ? [f[0], value] : f)));
  return (
    <form
      className="grid max-w-140 gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      {fields.map(([name, value], i) => (
        <Field key={name} name={name} value={value} onChange={(to) => set(i, to)} />
      ))}
      <button type="submit" className="key justify-self-start">
        Keep it mended, and send it
      </button>
      <p aria-live="polite">{why}</p>
    </form>
  );
}

function Field({ name, value, onChange }: { name: string; value: Plain; onChange: (to: Plain) => void }) {
  const id = useId();
  const [first] = useState(value);
  return (
    <div className="grid gap-1">
      <label className="label" htmlFor={id}>
        {name}
      </label>
      {typeof value === 'boolean' ? (
        <input id={id} type="checkbox" className="size-5" checked={value} onChange={(e) => onChange(e.target.checked)} />
      ) : (
        <input
          id={id}
          className="field"
          maxLength={2000}
          inputMode={typeof first === 'number' ? 'decimal' : undefined}
          defaultValue={String(first)}
          onChange={(e) => onChange(typeof first === 'number' ? Number(e.target.value) : e.target.value)}
        />
      )}
    </div>
  );
}
