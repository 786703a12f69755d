/** Premises as a CSV file: all of it or nothing. Rows of one name and address are one premises; a row may say one appliance that stands there. */
import { v7 as uuidv7 } from 'uuid';
import { catalogue } from '../../catalog/index.ts';
import { type FiledBookEntry, readSentBook } from '../../record/index.ts';
import { inShop, type Sql, type Tx } from '../database/index.ts';
import { appendBook, filedBookEntry } from '../entries/index.ts';
import { shopNow } from '../queries/index.ts';
import { type Cells, CsvFileError, isEnough, isFault, type RowFault, rowsOf } from './csv-rows.ts';

export const PREMISES_COLUMNS = [
  'name',
  'address',
  'access',
  'contact_name',
  'contact_phone',
  'contact_email',
  'contact_note',
  'time_zone',
  'place',
  'appliance',
  'kind',
];
const NEEDED = ['name'];
const MOST = 20_000;
/** Where an appliance stands, when nobody said. */
const ANY_PLACE = 'House';

interface House {
  id: string;
  places: Map<string, string>;
}

/**
 * @throws CsvFileError with every fault found
 */
export async function importPremises(sql: Sql, shopId: string, file: Uint8Array, at: Date): Promise<{ premises: number; appliances: number }> {
  const { zone } = await shopNow(sql, shopId);
  const { entries, houses, faults } = await readPremises(file, at, zone);
  if (faults.length > 0) throw new CsvFileError(faults);
  return inShop(sql, shopId, async (tx) => {
    const known = await onRecord(tx, shopId);
    const twice = [...houses]
      .filter(([key]) => known.has(key))
      .map(([, { line }]) => ({ line, column: 'name', why: 'These premises are on record already, by name and address.' }));
    if (twice.length > 0) throw new CsvFileError(twice);
    await appendBook(tx, shopId, parentsFirst(entries));
    return { premises: houses.size, appliances: entries.filter((e) => e.subject.kind === 'appliance').length };
  });
}

const ORDER = ['premises', 'place', 'appliance', 'run'];

/** What hangs on something comes after it, whatever the order of the rows. */
const parentsFirst = (entries: FiledBookEntry[]): FiledBookEntry[] => ORDER.flatMap((kind) => entries.filter((e) => e.subject.kind === kind));

const keyOf = (name: string, address: string): string => `${name.trim().toLowerCase()}\n${address.trim().toLowerCase()}`;

async function onRecord(tx: Tx, shopId: string): Promise<Set<string>> {
  const rows = await tx<{ name: string; address: string | null }[]>`select name, address from premises where shop_id = ${shopId} and not gone`;
  return new Set(rows.map((r) => keyOf(r.name, r.address ?? '')));
}

interface Read {
  entries: FiledBookEntry[];
  houses: Map<string, House & { line: number }>;
  faults: RowFault[];
}

async function readPremises(file: Uint8Array, at: Date, zone: string): Promise<Read> {
  const read: Read = { entries: [], houses: new Map(), faults: [] };
  let rows = 0;
  for await (const row of rowsOf(file, { all: PREMISES_COLUMNS, needed: NEEDED })) {
    rows += 1;
    if (isFault(row)) read.faults.push(row);
    else takeRow(read, row.cells, row.line, at, zone);
    if (rows > MOST) read.faults.push({ line: row.line, column: 'name', why: `At most ${MOST} rows.` });
    if (isEnough(read.faults) || rows > MOST) break;
  }
  if (rows === 0) read.faults.push({ line: 2, column: 'name', why: 'The file names no premises.' });
  return read;
}

/** Takes what a row says of one subject, or notes what is wrong with it by the row's own columns. */
type Add = (kind: FiledBookEntry['subject']['kind'], id: string, body: object, columns: Record<string, string>) => boolean;

function takeRow(read: Read, c: Cells, line: number, at: Date, zone: string): void {
  const add: Add = (kind, id, body, columns) => {
    const entry = filedBookEntry(kind, id, 'made', body as FiledBookEntry['body'], at, { entryId: uuidv7() });
    const checked = readSentBook({ ...entry, recordedAt: null });
    if (checked.ok) {
      read.entries.push({ ...entry, body: checked.entry.body });
      return true;
    }
    const field = checked.at.replace(/^body\.?/, '');
    read.faults.push({ line, column: columns[field] ?? columns[field.split('.')[0]!] ?? 'name', why: `It ${checked.why}.` });
    return false;
  };
  const key = keyOf(c.name ?? '', c.address ?? '');
  const known = read.houses.get(key);
  const house = known ?? { id: uuidv7(), places: new Map<string, string>(), line };
  if (!known) {
    read.houses.set(key, house);
    add('premises', house.id, premisesOf(c, zone), PREMISES_FIELDS);
  }
  takeAppliance(house, c, add, (column, why) => read.faults.push({ line, column, why }));
}

const CONTACT = ['name', 'phone', 'email', 'note'] as const;
const PREMISES_FIELDS = {
  name: 'name',
  timeZone: 'time_zone',
  address: 'address',
  access: 'access',
  ...Object.fromEntries(CONTACT.map((f) => [`contact.${f}`, `contact_${f}`])),
};

function premisesOf(c: Cells, zone: string): object {
  const contact = Object.fromEntries(CONTACT.flatMap((f) => (c[`contact_${f}`]?.trim() ? [[f, c[`contact_${f}`]!.trim()]] : [])));
  return {
    name: c.name ?? '',
    timeZone: c.time_zone?.trim() || zone,
    ...(c.address?.trim() ? { address: c.address } : {}),
    ...(c.access?.trim() ? { access: c.access } : {}),
    ...(Object.keys(contact).length > 0 ? { contact } : {}),
  };
}

/** The room and the appliance that a row says, with the appliance's runs. */
function takeAppliance(house: House, c: Cells, add: Add, fault: (column: string, why: string) => void): void {
  const [place, appliance, kind] = [c.place?.trim() ?? '', c.appliance?.trim() ?? '', c.kind?.trim() ?? ''];
  if (place === '' && appliance === '' && kind === '') return;
  const room = place || ANY_PLACE;
  let placeId = house.places.get(room.toLowerCase());
  if (!placeId) {
    placeId = uuidv7();
    house.places.set(room.toLowerCase(), placeId);
    if (!add('place', placeId, { premisesId: house.id, name: room }, { name: 'place' })) return;
  }
  if (kind === '') {
    if (appliance !== '') fault('kind', `It says no kind of appliance: one of ${kindIds().join(', ')}.`);
    return;
  }
  const row = catalogue().appliances.find((a) => a.id === kind);
  if (!row) {
    fault('kind', `"${kind.slice(0, 60)}" is no kind of appliance: one of ${kindIds().join(', ')}.`);
    return;
  }
  const [applianceId, name] = [uuidv7(), appliance || row.name];
  add('appliance', applianceId, { premisesId: house.id, placeId, kind, name }, { name: 'appliance', kind: 'kind' });
  for (const water of row.water) {
    add('run', uuidv7(), { applianceId, water, name: row.water.length > 1 ? `${name}, ${water}` : name }, { name: 'appliance' });
  }
}

const kindIds = (): string[] => catalogue().appliances.map((a) => a.id);
