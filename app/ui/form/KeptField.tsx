import { useId, useState } from 'react';

interface Props {
  label: string;
  value: string;
  type?: string;
  /** In an empty field: what holds where nobody said. */
  placeholder?: string;
  /** More than a line may stand in it. */
  isLong?: boolean;
  /** Keeps it; what it answers in words is what is wrong with it, told at the field, where the text stays. */
  onKeep: (value: string) => string | unknown;
}

/** A field of something in the book: what stands in it is kept when one goes on from it. */
export function KeptField({ label, value, type = 'text', placeholder, isLong = false, onKeep }: Props) {
  const id = useId();
  const [fault, setFault] = useState('');
  const keep = (text: string) => {
    const said = text.trim() === value ? '' : onKeep(text.trim());
    setFault(typeof said === 'string' ? said : '');
  };
  const told = fault === '' ? {} : { 'aria-invalid': true, 'aria-describedby': `${id}-fault` };
  return (
    <div className="grid gap-1">
      <label className="label" htmlFor={id}>
        {label}
      </label>
      {isLong ? (
        <textarea
          id={id}
          key={value}
          {...told}
          className="field min-h-16 py-2"
          rows={2}
          maxLength={2000}
          defaultValue={value}
          onBlur={(e) => keep(e.target.value)}
        />
      ) : (
        <input
          id={id}
          key={value}
          {...told}
          className="field"
          type={type}
          placeholder={placeholder}
          maxLength={200}
          defaultValue={value}
          onBlur={(e) => keep(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        />
      )}
      <p id={`${id}-fault`} role="alert" className="caution empty:hidden">
        {fault}
      </p>
    </div>
  );
}
