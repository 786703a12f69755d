import { useEffect, useRef, useState } from 'react';
import { inTradeWords, type WorkKindId } from '../../../core/index.ts';
import { addDays, type PremisesBook, readWhen, workMinutes } from '../../../record/index.ts';
import { type ApplianceRow, type DraftItem, itemOf, newItem, say } from '../../ui/book/index.ts';
import { DayRule, useDayBlocks } from '../../ui/day/index.ts';
import { useCatalogue, usePremises, useShop } from '../../ui/held/index.ts';
import { type Draft, EMPTY, sayingsOf, titleOf } from './draft.ts';
import { Item } from './Item.tsx';
import { keepDraft, keptDraft } from './kept-draft.ts';
import { OpenHere } from './OpenHere.tsx';
import { Takes } from './Takes.tsx';
import { What } from './What.tsx';
import { Who } from './Who.tsx';
import { firstFree, runsInto } from './when.ts';

interface Props {
  today: string;
  timeZone: string;
  appliances: ApplianceRow[];
  /** Premises that the call is for, where they were chosen before. */
  premises: string | null;
  /** What it is about, where it was asked elsewhere first. */
  asked: { said: string; on: ApplianceRow | null; work: WorkKindId | null } | null;
}

const longDay = new Intl.DateTimeFormat('en', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });

/** A call, typed while the telephone is held with the other hand: who, what, when; everything else can wait. */
export default function Call({ today, timeZone, appliances, premises, asked }: Props) {
  const [draft, setDraft] = useState<Draft>(() => ({ ...EMPTY, premisesId: premises, ...draftOf(asked) }));
  const [refused, setRefused] = useState<string | null>(null);
  const catalogue = useCatalogue();
  const words = useShop()?.words ?? {};
  const { book, last } = usePremises(draft.premisesId);
  const [who, what, when] = [useRef<HTMLInputElement>(null), useRef<HTMLInputElement>(null), useRef<HTMLInputElement>(null)];
  const change = (more: Partial<Draft>) => {
    setRefused(null);
    setDraft((d) => keepDraft({ ...d, ...more }));
  };
  useKeptDraft(premises, asked !== null, setDraft, who, what);
  useOneAppliance(draft, book, change, when);

  const said = readWhen(draft.when, today);
  const day = said.onDate ?? addDays(today, 1);
  const blocks = useDayBlocks(catalogue, day);
  const span = workMinutes(
    draft.items.map((i) => i.work),
    catalogue?.ownMinutes,
  );
  const startsAt = said.startsAt ?? firstFree(blocks ?? [], span.usual);
  const isChosen = draft.premisesId !== null || draft.name !== '';
  const over = (blocks ?? []).filter((b) => b.status !== 'cancelled' && runsInto(b, startsAt, span.usual));

  // What was said of the ends, in words that are read everywhere.
  const meant = draft.items.map((i) => ({ ...i, said: inTradeWords(i.said, words) }));
  const toggle = (item: DraftItem) => {
    const isOn = item.applianceId !== null && draft.items.some((i) => i.applianceId === item.applianceId);
    change({ items: isOn ? draft.items.filter((i) => i.applianceId !== item.applianceId) : [...draft.items, item] });
  };
  const bookIt = async () => {
    if (!isChosen) return setRefused('Say for whom: a name will do.');
    if (draft.premisesId !== null && !book) return setRefused('The premises are still being read: try again in a moment.');
    if (draft.items.some((i) => i.name.trim() === '')) return setRefused('Say what each appliance is called.');
    const { visitId, all } = sayingsOf({ ...draft, items: meant }, book, { onDate: day, startsAt }, { timeZone, appliances });
    if (!(await say(all, `${titleOf(draft)} booked for ${day} ${startsAt}`))) return;
    keepDraft(EMPTY);
    location.assign(`/?day=${day}&visit=${visitId}`);
  };

  return (
    <form
      className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[19rem_minmax(0,1fr)_19rem]"
      onSubmit={(e) => {
        e.preventDefault();
        bookIt();
      }}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' || !(e.ctrlKey || e.metaKey)) return;
        e.preventDefault();
        bookIt();
      }}
    >
      <div className="grid content-start gap-4">
        <div>
          <h1>A call</h1>
          <p className="text-soft">Who, what, when. Everything else can wait.</p>
        </div>
        {isChosen ? (
          <Chosen draft={draft} book={book} onChange={change} onOther={() => change({ premisesId: null, name: '', items: [] })} />
        ) : (
          <Who
            field={who}
            onKnown={(id) => {
              change({ premisesId: id, name: '' });
              what.current?.focus();
            }}
            onNew={(name) => {
              change({ premisesId: null, name });
              what.current?.focus();
            }}
          />
        )}
        {book && (
          <div className="max-lg:hidden">
            <OpenHere book={book} last={last} today={today} />
          </div>
        )}
      </div>

      <div className="grid content-start gap-4">
        <What
          book={book}
          appliances={appliances}
          words={words}
          items={draft.items}
          onToggle={toggle}
          onNext={() => when.current?.focus()}
          field={what}
        >
          {draft.items.map((item) => (
            <Item
              key={item.key}
              item={item}
              words={words}
              book={book}
              onChange={(more) => change({ items: draft.items.map((i) => (i.key === item.key ? { ...i, ...more } : i)) })}
              onRemove={() => change({ items: draft.items.filter((i) => i.key !== item.key) })}
            />
          ))}
          {draft.items.length > 0 && <Takes items={meant} book={book} last={last} appliances={appliances} catalogue={catalogue} />}
        </What>
        <label className="grid gap-1">
          <span className="label">Note</span>
          <textarea className="field min-h-16 py-2" maxLength={2000} rows={2} value={draft.note} onChange={(e) => change({ note: e.target.value })} />
        </label>
      </div>

      <div className="grid content-start gap-3">
        <label className="grid gap-1">
          <span className="label">When</span>
          <input
            ref={when}
            className="field"
            placeholder="tomorrow 10, thu 2 pm"
            maxLength={80}
            value={draft.when}
            onChange={(e) => change({ when: e.target.value })}
          />
        </label>
        {said.unread.length > 0 && <p>Not read: {said.unread.join(' ')}.</p>}
        {over.length > 0 && (
          <p className="font-bold" role="status">
            ▲ Runs into {over.map((b) => `${b.title} at ${b.startsAt}`).join(', ')}
          </p>
        )}
        {refused && <p className="caution">{refused}</p>}
        <button type="submit" className="key key-main min-h-14 text-2xl">
          Book it, {day === today ? 'today' : day === addDays(today, 1) ? 'tomorrow' : day} {startsAt}
        </button>
        <h2 className="border-b border-ink pb-1">{longDay.format(new Date(`${day}T00:00:00Z`))}</h2>
        {blocks === null && <p className="text-soft">This day is not kept on this device: what it holds is not known here.</p>}
        <DayRule blocks={blocks ?? []} draft={isChosen ? { title: titleOf(draft), startsAt, minutes: span.usual, slow: span.slow } : null} />
      </div>
      {book && (
        <div className="lg:hidden">
          <OpenHere book={book} last={last} today={today} />
        </div>
      )}
    </form>
  );
}

interface ChosenProps {
  draft: Draft;
  book: PremisesBook | null;
  onChange: (more: Partial<Draft>) => void;
  onOther: () => void;
}

function Chosen({ draft, book, onChange, onOther }: ChosenProps) {
  const isNew = draft.premisesId === null;
  return (
    <section className="grid gap-2 border border-ink bg-sheet p-3" aria-label="Who">
      <h2>{isNew ? draft.name : (book?.premises.name ?? 'Reading it')}</h2>
      {book?.premises.address && <p>{book.premises.address}</p>}
      {book?.premises.contact?.phone && <p>{book.premises.contact.phone}</p>}
      {book?.premises.access && <p className="border-l-4 border-brass-deep pl-3">{book.premises.access}</p>}
      {book?.premises.quiet && (
        <p className="text-soft">
          quiet {book.premises.quiet.from} to {book.premises.quiet.to}
        </p>
      )}
      {isNew && (
        <>
          <label className="grid gap-1">
            <span className="label">Telephone</span>
            <input className="field" maxLength={60} inputMode="tel" value={draft.phone} onChange={(e) => onChange({ phone: e.target.value })} />
          </label>
          <label className="grid gap-1">
            <span className="label">Address</span>
            <input className="field" maxLength={400} value={draft.address} onChange={(e) => onChange({ address: e.target.value })} />
          </label>
        </>
      )}
      <button type="button" className="key justify-self-start" onClick={onOther}>
        Somebody else
      </button>
    </section>
  );
}

/** The words are kept as the visit's note, and the work is on its list. */
function draftOf(asked: Props['asked']): Partial<Draft> {
  if (asked === null) return {};
  const { said, on, work } = asked;
  return { note: said, items: on === null ? [] : [{ ...newItem(on, null), ...(work === null ? {} : { work }) }] };
}

/** A call that was half typed when its page went is there again. */
function useKeptDraft(
  premises: string | null,
  isAsked: boolean,
  set: (d: Draft) => void,
  who: React.RefObject<HTMLInputElement | null>,
  what: React.RefObject<HTMLInputElement | null>,
): void {
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the page was drawn
  useEffect(() => {
    const kept = keptDraft();
    if (kept && premises === null && !isAsked) set(kept);
    const isChosen = premises !== null || (kept !== null && (kept.premisesId !== null || kept.name !== ''));
    (isChosen ? what : who).current?.focus();
  }, []);
}

/** Where one appliance stands there, it is meant; until another is said. */
function useOneAppliance(
  draft: Draft,
  book: PremisesBook | null,
  change: (more: Partial<Draft>) => void,
  when: React.RefObject<HTMLInputElement | null>,
): void {
  const done = useRef<string | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each premises that are chosen
  useEffect(() => {
    const id = book?.premises.id ?? null;
    if (!book || id === done.current) return;
    done.current = id;
    const standing = book.appliances.filter((a) => a.retired === null);
    const [only] = standing;
    if (!only || standing.length > 1 || draft.items.length > 0) return;
    change({ items: [itemOf(only, book.places.find((p) => p.id === only.placeId)?.name ?? '')] });
    when.current?.focus();
  }, [book]);
}
