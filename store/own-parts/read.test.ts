import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { PART_COLUMNS } from '../../catalog/parts.ts';
import { CsvFileError } from '../files/csv-rows.ts';
import { readRows } from './read.ts';

const header = PART_COLUMNS.join(',');
const row = (id: string, more: Record<string, string> = {}) => {
  const cells: Record<string, string> = {
    id,
    name: `part ${id}`,
    kind: 'adapter',
    ends: 'a=comp-3/8-f@either b=comp-1/4-m@either',
    flexible: 'no',
    cut_to_length: 'no',
    length_in: '1.4',
    max_length_in: '',
    waters: 'cold hot',
    max_psi: '200',
    max_f: '180',
    potable: 'yes',
    price_cents: '480',
    cents_per_ft: '',
    minutes: '2',
    material: 'brass',
    tags: 'brass',
    van: '0',
    ...more,
  };
  return PART_COLUMNS.map((c) => cells[c]).join(',');
};
const read = (text: string | Uint8Array) =>
  readRows(
    typeof text === 'string' ? Buffer.from(text) : text,
    () => {},
    () => false,
  );

async function faultsOf(text: string | Uint8Array): Promise<[number, string, string][]> {
  try {
    await read(text);
    return [];
  } catch (error) {
    assert.ok(error instanceof CsvFileError);
    return error.faults.map((f) => [f.line, f.column, f.why]);
  }
}

describe('a file of parts', () => {
  it('has the ends of a row that says none from its name, and a fault where the name tells none', async () => {
    const [read1] = await read(
      `${header}\n${row('a', { ends: '', length_in: '', kind: 'connector', flexible: 'yes', name: 'braided toilet connector 3/8 comp x 7/8 ballcock x 12' })}\n`,
    );
    assert.deepEqual([read1!.part.ends.map((e) => e.code), read1!.part.lengthIn], [['comp-3/8-f', 'bc-7/8-f'], 12]);
    const [[line, column] = []] = await faultsOf(`${header}\n${row('a', { ends: '' })}\n`);
    assert.deepEqual([line, column], [2, 'ends']);
  });
  it('is read with blank lines in it, and a fault after them names its own line', async () => {
    assert.equal((await read(`${header}\r\n\r\n${row('a')}\r\n\r\n\r\n${row('b')}\r\n`)).length, 2);
    const [fault] = await faultsOf(`${header}\n\n${row('a')}\n\n\n${row('b', { price_cents: 'much' })}\n`);
    assert.deepEqual(fault?.slice(0, 2), [6, 'price_cents']);
  });
  it('counts the lines within a quoted cell', async () => {
    const [fault] = await faultsOf(`${header}\n${row('a', { name: '"two\nlines"' })}\n${row('b', { waters: 'tepid' })}\n`);
    assert.deepEqual(fault?.slice(0, 2), [4, 'waters']);
  });
  it('in another encoding is refused at the line, not read with question marks', async () => {
    const latin = Buffer.from(`${header}\n${row('a')}\n${row('b', { name: 'réduction' })}\n`, 'latin1');
    const [fault] = await faultsOf(latin);
    assert.equal(fault?.[0], 3);
    assert.match(fault![2], /UTF-8/);
  });
  it('of quotes is refused soon, and does not hold up anybody', async () => {
    let longest = 0;
    let last = performance.now();
    const beat = setInterval(() => {
      longest = Math.max(longest, performance.now() - last);
      last = performance.now();
    }, 5);
    const [fault] = await faultsOf(`${header}\n${'"'.repeat(19_000_000)}`);
    clearInterval(beat);
    assert.match(fault![2], /quote|longer/i);
    assert.ok(longest < 2000, `held up for ${longest} ms`);
  });
  it('says which columns are missing, strange or twice, before it reads on', async () => {
    const faults = await faultsOf(`id,name,id,colour\n${'x,'.repeat(1000)}`);
    assert.ok(faults.some(([line, column, why]) => line === 1 && column === 'ends' && /missing/.test(why)));
    assert.ok(faults.some(([, column, why]) => column === 'colour' && /No such column/.test(why)));
    assert.ok(faults.some(([, column, why]) => column === 'id' && /twice/.test(why)));
  });
  it('from before a column was there is read as it was', async () => {
    const without = (line: string) =>
      line
        .split(',')
        .filter((_, i) => PART_COLUMNS[i] !== 'material' && PART_COLUMNS[i] !== 'van')
        .join(',');
    const [first] = await read(`${without(header)}\n${without(row('a'))}\n`);
    assert.deepEqual([first!.part.material, first!.van, first!.cells.van], [undefined, 0, '0']);
  });
  for (const [what, cells, column] of [
    ['a price past every counter', { price_cents: '99999999999' }, 'price_cents'],
    ['a name that cannot be used', { id: '__proto__' }, 'id'],
    ['a NUL', { name: 'a\0b' }, 'name'],
    ['a length without end', { length_in: '9999999999' }, 'length_in'],
  ] as const) {
    it(`with ${what} is refused by line and column`, async () => {
      const [fault] = await faultsOf(`${header}\n${row(cells && 'id' in cells ? cells.id : 'a', cells)}\n`);
      assert.deepEqual(fault?.slice(0, 2), [2, column]);
    });
  }
});
