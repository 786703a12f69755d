import { useCombobox } from 'downshift';
import { type ReactNode, type RefObject, useId } from 'react';

interface Props<T> {
  label: string;
  placeholder: string;
  typed: string;
  onType: (text: string) => void;
  items: T[];
  keyOf: (item: T) => string;
  /** What a screen reader hears of an item that was taken. */
  textOf: (item: T) => string;
  row: (item: T) => ReactNode;
  onTake: (item: T) => void;
  /** Enter on an empty field: on to the next. */
  onNothing?: () => void;
  field: RefObject<HTMLInputElement | null>;
}

/** A field that finds as one types; Enter takes the first, arrows another. What is taken leaves the field empty for the next. */
export function Finder<T>({ label, placeholder, typed, onType, items, keyOf, textOf, row, onTake, onNothing, field }: Props<T>) {
  const id = useId();
  const combo = useCombobox({
    inputId: id,
    items,
    inputValue: typed,
    itemToKey: (item) => (item ? keyOf(item) : null),
    itemToString: (item) => (item ? textOf(item) : ''),
    selectedItem: null,
    defaultHighlightedIndex: 0,
    onSelectedItemChange: ({ selectedItem }) => selectedItem && onTake(selectedItem),
    stateReducer: (_, { type, changes }) =>
      // Leaving the field takes nothing: a name half typed is not the first that was found.
      type === useCombobox.stateChangeTypes.InputBlur ? { ...changes, selectedItem: null } : changes,
  });
  const isOpen = combo.isOpen && items.length > 0;
  return (
    <div className="relative">
      <label className="label" {...combo.getLabelProps()} htmlFor={id}>
        {label}
      </label>
      <input
        className="field"
        placeholder={placeholder}
        maxLength={200}
        spellCheck={false}
        {...combo.getInputProps({
          ref: field,
          onChange: (e) => onType(e.currentTarget.value),
          onKeyDown: (e) => {
            if (e.key !== 'Enter' || (isOpen && typed.trim() !== '')) return;
            // With nothing typed Enter goes on, whatever the list would offer.
            (e.nativeEvent as KeyboardEvent & { preventDownshiftDefault?: boolean }).preventDownshiftDefault = true;
            e.preventDefault();
            onNothing?.();
          },
        })}
      />
      <ul
        {...combo.getMenuProps()}
        className={isOpen ? 'absolute z-10 max-h-96 w-full overflow-y-auto border border-t-0 border-ink bg-sheet' : 'sr-only'}
      >
        {isOpen &&
          items.map((item, index) => (
            <li
              key={keyOf(item)}
              {...combo.getItemProps({ item, index })}
              className={`min-h-12 cursor-pointer border-b border-rule px-3 py-2 ${combo.highlightedIndex === index ? 'border-b-brass-deep bg-brass-light' : ''}`}
            >
              {row(item)}
            </li>
          ))}
      </ul>
    </div>
  );
}
