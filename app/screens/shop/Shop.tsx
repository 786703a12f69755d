import { readCents, readPercent } from '../../../core/index.ts';
import { isZone, type Shop as ShopState } from '../../../record/index.ts';
import { ChooseUnits, say, saying } from '../../ui/book/index.ts';
import { KeptField } from '../../ui/form/index.ts';
import { useShop } from '../../ui/held/index.ts';
import { WholeShop } from './WholeShop.tsx';

interface Props {
  initial: ShopState;
  /** What days go by where nobody said. */
  machineZone: string;
}

/** Currencies to choose from; another is kept as it is. */
const CURRENCIES = ['USD', 'CAD', 'EUR', 'GBP', 'AUD', 'NZD', 'CHF', 'SEK', 'NOK', 'DKK', 'MXN'];

const amountOf = (cents: number | null): string => (cents === null ? '' : (cents / 100).toFixed(2));

/** The shop itself: what stands on its prints, what its prices and days go by. */
export default function Shop({ initial, machineZone }: Props) {
  const shop = useShop(initial) ?? initial;
  const set = (body: Partial<ShopState>, words: string) => {
    say([saying('shop', shop.id, 'changed', body)], words);
  };
  const money = (field: 'minuteCents' | 'calloutCents', label: string) => (
    <KeptField
      label={label}
      value={amountOf(shop[field])}
      onKeep={(text) => {
        const cents = text === '' ? null : readCents(text);
        if (text !== '' && cents === null) return `"${text}" is no amount: say it as 1.50.`;
        return set({ [field]: cents }, `${label} changed`);
      }}
    />
  );
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-8 lg:grid-cols-2">
      <section aria-label="On prints" className="grid content-start gap-3">
        <h1>Shop</h1>
        <p className="text-soft">
          What stands at the head of an estimate, a report and the reorder list. Each is kept when you go on from its field.
        </p>
        <KeptField label="Name" value={shop.name ?? ''} onKeep={(name) => name !== '' && set({ name }, 'Name changed')} />
        <KeptField label="Address" isLong value={shop.address ?? ''} onKeep={(address) => set({ address: address || null }, 'Address changed')} />
        <KeptField label="Telephone" type="tel" value={shop.phone ?? ''} onKeep={(phone) => set({ phone: phone || null }, 'Telephone changed')} />
        <h2 className="mt-4 border-b border-ink pb-1">In a calendar</h2>
        <p>
          <a href={`/api/v1/calendar.ics?shop=${shop.id}`}>Visits of the next 60 days and rechecks due</a>, as a file. A calendar program that is
          given this link's address keeps up with what is moved and called off.
        </p>
        <p>
          <a href={`/api/v1/due.ics?shop=${shop.id}`}>What comes due</a> at what was done: looks again, stops to exercise, connectors by age, inserts,
          open lines. A calendar of its own.
        </p>
        <h2 className="mt-4 border-b border-ink pb-1">On tags</h2>
        <KeptField
          label="Address that a tag's code opens"
          value={shop.tagAddress ?? ''}
          onKeep={(text) => {
            const address = text.trim().replace(/\/$/, '');
            if (address !== '' && !/^https?:\/\/[^\s/]+/.test(address)) return `"${text}" is no address: say it as https://plumber.example.`;
            return set({ tagAddress: address || null }, 'Address on tags changed');
          }}
        />
        <p className="text-soft">Where phones on site reach this program. Left empty, a tag opens the address it was printed from.</p>
        <WholeShop shopId={shop.id} />
      </section>
      <section aria-label="Prices and days" className="grid content-start gap-3">
        <h2 className="border-b border-ink pb-1">What prices and days go by</h2>
        <label className="grid gap-1">
          <span className="label">Currency</span>
          <select className="field" value={shop.currency ?? 'USD'} onChange={(e) => set({ currency: e.target.value }, `Currency: ${e.target.value}`)}>
            {[...new Set([...CURRENCIES, shop.currency ?? 'USD'])].map((c) => (
              <option key={c}>{c}</option>
            ))}
          </select>
        </label>
        <p className="text-soft">Prices of parts are read in it as they stand: nothing is converted. What was accepted before keeps its own.</p>
        <ChooseUnits shop={shop} />
        <p className="text-soft">
          A device says them otherwise with <kbd>u</kbd>. Names of threads and tubes stay the trade's.
        </p>
        {money('minuteCents', 'A minute of work')}
        {money('calloutCents', 'Coming, once a visit')}
        <KeptField
          label="Tax, percent"
          value={shop.taxPercent === null ? '' : String(shop.taxPercent)}
          onKeep={(text) => {
            const percent = text === '' ? null : readPercent(text);
            if (text !== '' && percent === null) return `"${text}" is no percentage: say it as 8.25.`;
            return set({ taxPercent: percent }, 'Tax changed');
          }}
        />
        <label className="grid gap-1">
          <span className="label">Time zone of the shop</span>
          <select
            className="field"
            value={shop.timeZone ?? machineZone}
            onChange={(e) => set({ timeZone: e.target.value }, `Time zone: ${e.target.value}`)}
          >
            {zones(shop.timeZone ?? machineZone).map((z) => (
              <option key={z}>{z}</option>
            ))}
          </select>
        </label>
      </section>
    </div>
  );
}

const zones = (own: string): string[] => [...new Set([own, 'UTC', ...(Intl.supportedValuesOf?.('timeZone') ?? []).filter(isZone)])].sort();
