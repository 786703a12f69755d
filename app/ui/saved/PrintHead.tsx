import type { Shop, VisitHead } from '../../../record/index.ts';

/** The head of a print for a customer: whose it is, for whom, of which day. */
export function PrintHead({ title, shop, visit }: { title: string; shop: Shop | null; visit: VisitHead }) {
  return (
    <header className="grid grid-cols-[minmax(0,1fr)] gap-4 border-b-2 border-ink pb-3 sm:grid-cols-2 print:grid-cols-2">
      <div>
        <h1>{title}</h1>
        <p className="mt-1 text-lg">
          {visit.premises.name}
          {visit.premises.address && <span className="block">{visit.premises.address}</span>}
        </p>
        <p className="text-soft">
          {visit.title}, {visit.onDate} {visit.startsAt}
        </p>
      </div>
      <address className="not-italic sm:text-right print:text-right">
        {shop?.name ? (
          <b className="font-head text-xl">{shop.name}</b>
        ) : (
          <a className="print:hidden" href="/shop">
            Say the shop's name
          </a>
        )}
        {shop?.address && <span className="block whitespace-pre-line">{shop.address}</span>}
        {shop?.phone && <span className="block">{shop.phone}</span>}
      </address>
    </header>
  );
}
