import { useCombobox } from 'downshift';
import { useEffect, useRef, useState } from 'react';
import { asTold, endLabel, endName, endSeat, isEndCode, readEnd, readEndNotes } from '../../../core/index.ts';
import { useShop } from '../held/index.ts';

interface Props {
  id: string;
  label: string;
  value: string | null;
  onChange: (code: string | null) => void;
  hint?: string[];
}

/** An end as the trade says it: '3/8 comp', '1/2 fip', '7/8 bc', 'ght'. Readings are ranked; none is chosen in silence. */
export function EndPicker({ id, label, value, onChange, hint = [] }: Props) {
  const [typed, setTyped] = useState(value === null ? '' : endName(value));
  // What was said last from here: a value that differs came from elsewhere (a swap, another window) and is shown.
  const said = useRef(value);
  const say = (code: string | null) => {
    said.current = code;
    onChange(code);
  };
  useEffect(() => {
    if (value === said.current) return;
    said.current = value;
    setTyped(value === null ? '' : endName(value));
  }, [value]);
  const told = asTold(typed, useShop()?.words);
  const readings = typed.trim() === '' ? hint.map((end) => ({ end, why: 'usual here' })) : readEnd(told).slice(0, 8);
  const combo = useCombobox({
    id,
    items: readings,
    inputValue: typed,
    // Without it a selected end looks like another with every painting, and is painted again without end.
    itemToKey: (item) => item?.end,
    itemToString: (item) => (item ? endName(item.end) : ''),
    selectedItem: readings.find((r) => r.end === value) ?? null,
    defaultHighlightedIndex: 0,
    onSelectedItemChange: ({ selectedItem }) => {
      if (!selectedItem) return;
      setTyped(endName(selectedItem.end));
      say(selectedItem.end);
    },
  });
  // Set at once, not in an effect: characters typed fast would overtake each other.
  const type = (text: string) => {
    setTyped(text);
    const code = text.trim().toLowerCase();
    if (isEndCode(code)) say(code);
    else if (value !== null) say(null);
  };
  const notes = readEndNotes(told).map((n) => n.text);
  const unread = typed.trim() !== '' && readings.length === 0;
  return (
    <div className="relative">
      <label className="label" {...combo.getLabelProps()}>
        {label}
      </label>
      <input
        className="field field-name"
        placeholder="3/8 comp, 1/2 fip, 7/8 bc, ght"
        maxLength={80}
        spellCheck={false}
        {...combo.getInputProps({
          onChange: (e) => type(e.currentTarget.value),
          // Another end is typed over the one that stands there.
          onFocus: (e) => e.currentTarget.select(),
        })}
      />
      <p className="min-h-6" aria-live="polite">
        {value && isEndCode(value) ? (
          <>
            {endLabel(value)}: {endSeat(value)} <span className="code">{value}</span>
          </>
        ) : unread || notes.length > 0 ? (
          <span>
            {notes.join(' ')} {readings.length === 0 && 'No end reads like that. Try a size and a word: 3/8 comp, 1/2 fip, 7/8 bc.'}
          </span>
        ) : (
          <span className="text-soft">{typed && 'Choose a reading.'}</span>
        )}
      </p>
      <ul
        {...combo.getMenuProps()}
        className={`absolute z-20 w-full border border-ink bg-sheet ${combo.isOpen && readings.length > 0 ? '' : 'hidden'}`}
      >
        {combo.isOpen &&
          readings.map((r, index) => (
            <li
              key={r.end}
              {...combo.getItemProps({ item: r, index })}
              className={`flex min-h-12 cursor-pointer flex-wrap items-baseline gap-x-3 px-3 py-2 ${combo.highlightedIndex === index ? 'bg-brass-light' : ''}`}
            >
              <b>{endLabel(r.end)}</b>
              <span className="code">{r.end}</span>
              <span className="text-sm text-soft">{r.why}</span>
            </li>
          ))}
      </ul>
    </div>
  );
}
