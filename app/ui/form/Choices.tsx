/** A row of radio choices, big enough for a wet thumb. */
export function Choices<T extends string>({
  legend,
  options,
  value,
  onChange,
}: {
  legend: string;
  options: [T, string][];
  value: T | null;
  onChange: (value: T) => void;
}) {
  return (
    <fieldset className="flex flex-wrap gap-2">
      <legend className="label">{legend}</legend>
      {options.map(([id, label]) => (
        <label key={id} className="choice">
          <input type="radio" name={legend} className="size-5" checked={value === id} onChange={() => onChange(id)} /> {label}
        </label>
      ))}
    </fieldset>
  );
}
