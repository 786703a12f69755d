/** What is kept when a chain of the bench is taken for a run, and the same as a file. */
import Papa from 'papaparse';
import { v7 as uuidv7 } from 'uuid';
import { type Chain, cardVersionOf, type ListLine, length, type MatchQuery, quantityWords, type Units, writeFraction } from '../../../core/index.ts';
import type { OpenRun } from '../../../record/index.ts';
import { type AcceptedChain, type Bodies, type Entry, type EntryKind, itemsOf } from '../../../record/index.ts';
import { newEntry } from '../../../sync/entry.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';

/** With what is cut off it, in what the device goes by. */
export const nameOf = ({ name, cutLengthIn }: ListLine, units: Units): string =>
  cutLengthIn === undefined ? name : `${name}, cut to ${quantityWords(length(cutLengthIn), units)}`;

/** As a table for any spreadsheet; cells that it would run as formulas are made safe. */
export const csvOf = (lines: ListLine[], units: Units): string =>
  Papa.unparse(
    lines.map((l) => ({ count: l.count, item: l.item, name: nameOf(l, units), price_each: (l.eachCents / 100).toFixed(2), to_buy: l.toBuy })),
    { escapeFormulae: true },
  );

/** The two ends, the distance and the acceptance, as if entered at the run itself. */
export function entriesFor(target: OpenRun & { deviceId: string }, chain: Chain, q: MatchQuery, catalogue: ClientCatalogue): Entry[] {
  const entry = <K extends EntryKind>(kind: K, body: Bodies[K]) => newEntry(target, kind, body);
  const {
    minLengthIn,
    stop = false,
    arrestor = false,
    check = false,
    stopLeak = false,
    leaveOutlet = false,
    reachable = true,
    pressurePsi,
    avoid = [],
  } = q.need;
  const place = { hidden: !reachable, ownStop: stop, arrestor, check, stopLeak, leaveOutlet, afterOsmosis: avoid.includes('copper') };
  const accepted: AcceptedChain = {
    from: q.from,
    to: q.to,
    rejoin: q.rejoin ?? null,
    need: q.need,
    chain,
    jointIds: chain.joints.map(() => uuidv7()),
    rules: q.rules ?? catalogue.rules,
    catalogueVersion: catalogue.version,
    cardVersion: cardVersionOf(catalogue.steps),
    items: itemsOf([...chain.parts, ...Object.keys(chain.loose)], catalogue),
    currency: catalogue.currency,
    replacesId: target.acceptedId,
  };
  return [
    entry('end-seen', { side: 'from', end: q.from, how: 'told' }),
    entry('end-seen', { side: 'to', end: q.to, how: 'told' }),
    entry('end-seen', { side: 'rejoin', end: q.rejoin ?? null, how: 'told' }),
    ...(minLengthIn === undefined ? [] : [entry('distance-measured', { text: writeFraction(minLengthIn), inches: minLengthIn })]),
    entry('place-seen', pressurePsi === undefined ? place : { ...place, pressurePsi }),
    entry('chain-accepted', accepted),
  ];
}
