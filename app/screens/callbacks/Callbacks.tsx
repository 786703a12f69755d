import { useEffect, useState } from 'react';
import { GUESS_JOINTS, threeDigits } from '../../../core/index.ts';
import type { CallbackQuery } from '../../../store/queries/index.ts';
import type { Analysis } from '../../http/answers/index.ts';
import { inAddress, Select, useAsked } from '../../ui/form/index.ts';
import { between, IN_1000, inThousand, Part, RateChart, Rates, rowOf, Table } from './Rates.tsx';

interface Props {
  initial: Analysis;
  query: CallbackQuery;
  appliances: { id: string; name: string }[];
}

/** Parts that never came back are many: the first of them tell enough. */
const MOST_PARTS = 12;

/** What keeps leaking: rates with intervals that are honest at small counts. */
export default function Callbacks({ initial, query: first, appliances }: Props) {
  const [query, setQuery] = useState(first);
  const { answer, isLost } = useAsked<Analysis>('/api/v1/callbacks', inAddress(query), { query: inAddress(first), answer: initial });
  const a = answer ?? initial;
  useEffect(() => {
    const address = inAddress(query);
    history.replaceState(null, '', address ? `?${address}` : location.pathname);
  }, [query]);
  const set = (change: Partial<CallbackQuery>) => setQuery((q) => ({ ...q, ...change }));
  return (
    <div>
      <div className="flex flex-wrap items-end gap-3 print:hidden">
        <Select
          label="Appliance"
          value={query.appliance ?? ''}
          onChange={(appliance) => set({ appliance: appliance || undefined })}
          options={[['', 'any'], ...appliances.map((x) => [x.id, x.name] as [string, string])]}
        />
        {(['from', 'to'] as const).map((side) => (
          <label key={side} className="grid gap-1">
            <span className="label">{side === 'from' ? 'Done from' : 'to'}</span>
            <input className="field" type="date" value={query[side] ?? ''} onChange={(e) => set({ [side]: e.target.value || undefined })} />
          </label>
        ))}
      </div>
      <p className="my-3 text-lg" aria-live="polite">
        {isLost ? 'The server does not answer; this is what it said last. ' : ''}
        {a.all.joints === 0
          ? 'No joint that fits was signed off yet: the first guesses stand.'
          : `${a.all.callbacks} of ${a.all.joints.toLocaleString('en')} joints came back: ${inThousand(a.all)}.`}
        {a.unlaid > 0 && ` ${a.unlaid} more ${a.unlaid === 1 ? 'leak was' : 'leaks were'} reported and laid to no joint.`}
      </p>
      {a.all.joints > 0 && (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-6 xl:grid-cols-2">
          <Part
            title="By seal"
            note={`The diamond is what this shop saw, the bar its 95 % interval, the upright line the first guess. Match reckons with both: a guess is worth ${GUESS_JOINTS} joints.`}
            chart={
              <RateChart
                rows={a.bySeal.map((b) => ({ ...rowOf(b), guess: b.weighed.guess * 1000 }))}
                unit={IN_1000}
                words={`Callbacks by seal; the table below has the same figures`}
              />
            }
          >
            <Table
              of="Seal"
              bars={a.bySeal}
              more={{
                head: ['First guess', 'Match reckons with'],
                cells: (b) => {
                  const { weighed } = b as Analysis['bySeal'][number];
                  return [threeDigits(weighed.guess * 1000), threeDigits(weighed.weighed * 1000)];
                },
              }}
            />
          </Part>
          <Rates
            title="By part"
            bars={a.byPart.slice(0, MOST_PARTS)}
            of="Part"
            note={
              a.byPart.length > MOST_PARTS
                ? `The ${MOST_PARTS} with most callbacks, then most used, of ${a.byPart.length}. A joint counts at both its parts.`
                : 'A joint counts at both its parts.'
            }
          />
          <Rates
            title="By turns"
            bars={a.byTurns}
            of="Turns past hand-tight"
            note="Against the usual range of each seal; what is not screwed is left out."
          />
          <Rates title="By what is on the thread" bars={a.bySealant} of="Sealant" />
          {a.byChoice.map((c) => (
            <Rates
              key={c.key}
              title={`House rule: ${c.title.charAt(0).toLowerCase()}${c.title.slice(1)}`}
              bars={c.bars}
              of="The house's choice"
              note="Only joints the rule bears on. Other things may differ between them too."
            />
          ))}
          <Part
            title="By age"
            note="How often a joint of that age comes back, in 1,000 joints over a year: joints count as long as they stood."
            chart={
              <RateChart
                rows={a.byAge.flatMap((b) => (b.rate ? [{ name: b.name, ...b.rate }] : []))}
                unit="callbacks in 1,000 joint-years"
                words="Callbacks by age; the table below has the same figures"
              />
            }
          >
            <section className="scroll" tabIndex={0} aria-label="Table by age">
              <table className="w-full">
                <thead>
                  <tr>
                    <th>Age</th>
                    <th>Joint-years</th>
                    <th>Came back</th>
                    <th>In 1,000 joint-years</th>
                  </tr>
                </thead>
                <tbody>
                  {a.byAge.map((b) => (
                    <tr key={b.name} className="border-t border-faint">
                      <td className="py-1 pr-3">{b.name}</td>
                      <td className="pr-3 text-right">{Math.round(b.jointYears).toLocaleString('en')}</td>
                      <td className="pr-3 text-right">{b.callbacks}</td>
                      <td className="text-right">{b.rate ? between(b.rate) : 'none so old'}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
          </Part>
        </div>
      )}
    </div>
  );
}
