import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { callbackQuery, dayAsked, daysAsked, dueQuery, ledgerQuery, premisesAsked, premisesQuery, visitAsked } from './index.ts';

const ID = '0190a000-0000-7000-8000-000000000001';
const at = (query: string) => new URL(`http://x/?${query}`);
/** The field and what is said of it. */
const said = (read: () => unknown): string => {
  try {
    read();
  } catch (error) {
    const [issue] = (error as { issues: { path: string[]; message: string }[] }).issues;
    return `${issue!.path.join('.')} ${issue!.message}`;
  }
  return 'taken';
};

describe('what an address asks', () => {
  it('is as it reads; a field that is left empty asks nothing', () => {
    assert.deepEqual(ledgerQuery(at('q=&recheck=due&offset=40')), { recheck: 'due', offset: 40 });
    assert.deepEqual(dueQuery(at('kind=stop&ahead=0')), { kind: 'stop', ahead: 0 });
    assert.deepEqual(callbackQuery(at('from=2026-01-01')), { from: '2026-01-01' });
    assert.deepEqual(premisesQuery(at('q=lodge&limit=200')), { q: 'lodge', limit: 200 });
    assert.equal(dayAsked(at('')), null);
    assert.equal(dayAsked(at('day=2026-05-20')), '2026-05-20');
  });

  it('is refused by its field and in words, just past every limit', () => {
    assert.equal(
      said(() => ledgerQuery(at(`q=${'x'.repeat(200)}`))),
      'taken',
    );
    assert.equal(
      said(() => ledgerQuery(at(`q=${'x'.repeat(201)}`))),
      'q is longer than 200 characters',
    );
    assert.equal(
      said(() => ledgerQuery(at('offset=1000000'))),
      'taken',
    );
    assert.equal(
      said(() => ledgerQuery(at('offset=1000001'))),
      'offset is more than 1,000,000',
    );
    assert.equal(
      said(() => ledgerQuery(at('offset=1.5'))),
      'offset is not a whole number',
    );
    assert.equal(
      said(() => dueQuery(at('ahead=20000'))),
      'taken',
    );
    assert.equal(
      said(() => dueQuery(at('ahead=20001'))),
      'ahead is more than 20,000',
    );
    assert.equal(
      said(() => dueQuery(at('ahead=-1'))),
      'ahead is less than 0',
    );
    assert.equal(
      said(() => dueQuery(at('premises=x'))),
      'premises is not an id',
    );
    assert.equal(
      said(() => premisesQuery(at('limit=201'))),
      'limit is more than 200',
    );
    assert.equal(
      said(() => premisesQuery(at('limit=0'))),
      'limit must be 1 or more',
    );
    assert.equal(
      said(() => callbackQuery(at('to=2026-02-30'))),
      'to is not a day as YYYY-MM-DD',
    );
    assert.match(
      said(() => dayAsked(at('day=1969-12-31'))),
      /^day lies outside the years/,
    );
    assert.match(
      said(() => ledgerQuery(at('callbacks=some'))),
      /^callbacks /,
    );
  });

  it('is a hundred days at most, and the last not before the first', () => {
    const days = (from: string, to: string) => said(() => daysAsked(at(`from=${from}&to=${to}`)));
    assert.equal(days('2026-05-20', '2026-05-20'), 'taken');
    assert.equal(days('2026-01-01', '2026-04-11'), 'taken');
    assert.equal(days('2026-01-01', '2026-04-12'), 'to lies more than 100 days after from');
    assert.equal(days('2026-05-20', '2026-05-19'), 'to lies before from');
  });

  it('of a thing that is not there is a 404, and nothing is asked for what is no id', async () => {
    let asked = 0;
    const read = async (id: string) => {
      asked += 1;
      return id === ID ? 'found' : null;
    };
    assert.equal(await visitAsked(ID, read), 'found');
    assert.equal(await premisesAsked(ID.toUpperCase(), read), 'found');
    for (const refuse of [() => visitAsked('x', read), () => premisesAsked(undefined, read)]) await assert.rejects(refuse, { status: 404 });
    assert.equal(asked, 2);
    await assert.rejects(() => visitAsked(ID.replace(/1$/, '2'), read), { status: 404, rule: 'no-visit' });
  });
});
