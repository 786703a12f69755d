/** Files of rows: whatever cells a spreadsheet writes come in again, and what is no CSV is refused by its line. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import Papa from 'papaparse';
import { CsvFileError, isFault, type Row, rowsOf } from './csv-rows.ts';

const COLUMNS = ['name', 'address', 'note'];
async function rows(text: string, encoded = new TextEncoder().encode(text)): Promise<Row[]> {
  const out: Row[] = [];
  for await (const row of rowsOf(encoded, { all: COLUMNS, needed: ['name'] })) {
    assert.ok(!isFault(row), JSON.stringify(row));
    out.push(row);
  }
  return out;
}
const refused = (line: number, why: RegExp) => (error: unknown) =>
  error instanceof CsvFileError && error.faults[0]?.line === line && why.test(error.faults[0].why);

describe('rows of a file', () => {
  const cell = fc.array(fc.constantFrom('a', 'ü', ' ', '"', ',', '\n', '\r\n', ';', '5'), { maxLength: 6 }).map((parts) => parts.join(''));
  it('are the cells that were written, however they are quoted and rows end', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(cell, cell, cell), { minLength: 1, maxLength: 30 }),
        fc.constantFrom('\n', '\r\n'),
        fc.boolean(),
        async (written, newline, quotes) => {
          const named = written.map(([a, b, c]) => [`x${a}`, b, `${c}y`]);
          const read = await rows(`${Papa.unparse([COLUMNS, ...named], { newline, quotes })}${newline}`);
          assert.deepEqual(
            read.map((r) => COLUMNS.map((c) => r.cells[c])),
            named,
          );
        },
      ),
    );
  });
  it('say where they begin, blank rows and breaks within cells counted, and how far the file is read', async () => {
    const text = 'name,note\n\na,"one\ntwo"\r\n\r\nb,\n';
    assert.deepEqual(
      (await rows(text)).map((r) => [r.line, r.cells.name, r.cells.note]),
      [
        [3, 'a', 'one\ntwo'],
        [6, 'b', ''],
      ],
    );
    const many = `name\n${'Lodge\n'.repeat(20_000)}`;
    const read = await rows(many);
    assert.equal(read.length, 20_000);
    assert.ok(Math.abs(read.at(-1)!.bytes - many.length) < 10, String(read.at(-1)!.bytes));
  });
  it('end with a return alone in files of very old spreadsheets; a mark at the beginning is no letter', async () => {
    assert.deepEqual(
      (await rows('\uFEFFname,note\rLodge,x\rDome,y\r')).map((r) => r.cells.name),
      ['Lodge', 'Dome'],
    );
  });
  it('are refused by the line at which the quoting is wrong, or that is too long or too wide', async () => {
    await assert.rejects(rows('name,note\nLodge,x\nHo"use,y\n'), refused(3, /middle of a cell/));
    await assert.rejects(rows('name,note\n"Lodge" hut,x\n'), refused(2, /after its closing quote/));
    await assert.rejects(rows('name,note\nDome,y\n"Lodge,x\nHouse,y\n'), refused(3, /not closed/));
    await assert.rejects(rows(`name,note\nLodge,${'x'.repeat(20_001)}\n`), refused(2, /longer than/));
    await assert.rejects(rows(`name,note\nLodge${','.repeat(5000)}\n`), refused(2, /more than 5000 cells/));
    assert.equal((await rows(`name,note\nLodge,${'x'.repeat(19_000)}\n`)).length, 1);
    await assert.rejects(rows('', Uint8Array.from([110, 97, 109, 101, 10, 65, 10, 0xff, 10])), refused(3, /UTF-8/));
  });
});
