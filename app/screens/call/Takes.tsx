import { loadOf, ownVisits, type PremisesBook, workMinutes } from '../../../record/index.ts';
import type { LastState } from '../../../store/queries/index.ts';
import type { ApplianceRow, DraftItem } from '../../ui/book/index.ts';
import { type LikelyRun, useLikelyNeeds } from '../../ui/chains/index.ts';
import { type ClientCatalogue, namesOf } from '../../ui/held/index.ts';
import { amountWords, useUnits } from '../../ui/units/index.ts';
import { likelyRuns } from './likely-runs.ts';

interface Props {
  items: DraftItem[];
  book: PremisesBook | null;
  last: Map<string, LastState>;
  appliances: ApplianceRow[];
  catalogue: ClientCatalogue | null;
}

/** What the call will take: minutes with their spread, and what the van lacks for the chains it will likely be. */
export function Takes({ items, book, last, appliances, catalogue }: Props) {
  const works = items.map((i) => i.work);
  const { usual, slow } = workMinutes(works, catalogue?.ownMinutes);
  const own = ownVisits(works, catalogue?.ownMinutes);
  const units = useUnits();
  const runs = likelyRuns(items, book, last, appliances);
  const found = useLacks(runs, catalogue);
  const names = namesOf(catalogue);
  return (
    <section aria-label="What it will take" className="grid border border-ink bg-sheet sm:grid-cols-[10rem_minmax(0,1fr)]">
      <div className="border-rule p-3 max-sm:border-b sm:border-r">
        <p className="font-head text-3xl font-semibold">{usual} min</p>
        <p className="text-soft">
          to {slow} where it goes slowly: {own === 0 ? 'a first guess' : `from ${own} of your own ${own === 1 ? 'visit' : 'visits'}`}
        </p>
      </div>
      <div className="p-3">
        <h3>To bring</h3>
        {runs.length === 0 && <p className="text-soft">Not known before the ends are: say them above, or look first.</p>}
        {runs.length > 0 && found === null && <p className="text-soft">Working it out.</p>}
        {found && found.joined < runs.length && (
          <p>
            {runs.length - found.joined} of {runs.length} {runs.length === 1 ? 'run' : 'runs'}: no parts that are known join what was said.
          </p>
        )}
        {found && found.joined > 0 && found.lacks.length === 0 && (
          <p>
            Nothing beside the van, for the likely chains of {found.joined} {found.joined === 1 ? 'run' : 'runs'}.
          </p>
        )}
        <ul>
          {found?.lacks.map(({ item, missing, unit, elsewhere }) => (
            <li key={item}>
              ▲ <b>{unit === 'inch' ? `${amountWords(missing, true, units)} of` : `${missing} x`}</b> {names[item] ?? item}: not on the van
              {elsewhere.length > 0 && `, lies on ${elsewhere.map((e) => e.place).join(', ')}`}
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}

/** How many of the runs the likely chains join, and what the van lacks of all that these take together; null while that is worked out. */
function useLacks(runs: LikelyRun[], catalogue: ClientCatalogue | null) {
  const likely = useLikelyNeeds(runs, catalogue);
  if (!likely || !catalogue) return null;
  const taking = [...likely].map(([name, needs]) => ({ name, summary: { needs } }));
  const lacks = loadOf([{ vanId: null, runs: taking }], catalogue.places).flatMap(({ rows }) => rows.filter((r) => r.missing > 0));
  return { joined: likely.size, lacks };
}
