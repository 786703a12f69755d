import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { after, before, describe, it } from 'node:test';
import { FIRST_SHOP } from '../database/connection.ts';
import { premisesList, premisesWhole } from '../queries/premises.ts';
import { type TestDatabase, testDatabase } from '../testing.ts';
import { CsvFileError } from './csv-rows.ts';
import { importPremises } from './premises-file.ts';

const AT = new Date('2026-03-10T12:00:00Z');
let db: TestDatabase;
before(async () => {
  db = await testDatabase();
});
after(() => db.end());

const take = (text: string | Uint8Array) => importPremises(db.sql, FIRST_SHOP, typeof text === 'string' ? Buffer.from(text) : text, AT);
const all = async () => (await premisesList(db.sql, FIRST_SHOP, '2026-03-10', {})).premises;
const faultsOf = async (text: string | Uint8Array): Promise<string[]> => {
  try {
    await take(text);
  } catch (error) {
    if (error instanceof CsvFileError) return error.faults.map((f) => `${f.line} ${f.column}`);
    throw error;
  }
  throw new Error('It was taken in.');
};

describe('a file of premises', () => {
  it('that will not do is told by line and column, and nothing of it is taken', async () => {
    const text = [
      'name,address,place,appliance,kind,time_zone,contact_email',
      'Good house,1 Tarn lane,Bath,Toilet,toilet,,',
      ',2 Tarn lane,,,,,',
      'Third,,Bath,Bowl,tolet,,',
      'Fourth,,Bath,Bowl,,,',
      'Fifth,,,,,Mars/Crater,',
      'Sixth,,,,,,,one more',
    ].join('\r\n');
    assert.deepEqual(await faultsOf(text), ['3 name', '4 kind', '5 kind', '6 time_zone', '7 contact_email']);
    assert.deepEqual(await all(), []);
  });

  it('names a strange or missing column, another encoding, and an empty file', async () => {
    assert.deepEqual(await faultsOf('address\r\n1 Tarn lane\r\n'), ['1 name']);
    assert.deepEqual(await faultsOf('name,colour\r\nA,blue\r\n'), ['1 colour']);
    assert.deepEqual(await faultsOf(Buffer.from([0x6e, 0x61, 0x6d, 0x65, 0x0a, 0xe4, 0x0a])), ['2 ']);
    assert.deepEqual(await faultsOf('name\r\n'), ['2 name']);
  });

  it('rows of one name and address are one premises, with its rooms, appliances and runs; the example is taken as it stands', async () => {
    const example = readFileSync('app/public/premises-example.csv');
    assert.deepEqual(await take(example), { premises: 2, appliances: 3 });
    const [kiln] = (await all()).filter((p) => p.name === 'Kiln cottage');
    const { book } = { book: (await premisesWhole(db.sql, FIRST_SHOP, kiln!.id))! };
    assert.deepEqual(book.places.map((p) => p.name).sort(), ['Bathroom', 'Kitchen']);
    assert.deepEqual(book.appliances.map((a) => a.kind).sort(), ['kitchen-faucet', 'toilet']);
    assert.deepEqual(book.runs.map((r) => r.name).sort(), ['Kitchen faucet, cold', 'Kitchen faucet, hot', 'Toilet']);
    assert.equal(book.premises.contact?.phone, '555 0101');
    assert.equal(book.premises.access, 'Key under the third pot');
  });

  it('taken in once more is refused: they are on record already', async () => {
    assert.deepEqual(await faultsOf(readFileSync('app/public/premises-example.csv')), ['2 name', '4 name']);
    assert.equal((await all()).length, 2);
  });
});
