import { useId } from 'react';

interface Props {
  label: string;
  value: string;
  type?: string;
  /** In an empty field: what holds where nobody said. */
  placeholder?: string;
  /** More than a line may stand in it. */
  isLong?: boolean;
  onKeep: (value: string) => unknown;
}

/** A field of something in the book: what stands in it is kept when one goes on from it. */
export function KeptField({ label, value, type = 'text', placeholder, isLong = false, onKeep }: Props) {
  const id = useId();
  const keep = (text: string) => text.trim() !== value && onKeep(text.trim());
  return (
    <div className="grid gap-1">
      <label className="label" htmlFor={id}>
        {label}
      </label>
      {isLong ? (
        <textarea
          id={id}
          key={value}
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
          className="field"
          type={type}
          placeholder={placeholder}
          maxLength={200}
          defaultValue={value}
          onBlur={(e) => keep(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        />
      )}
    </div>
  );
}
