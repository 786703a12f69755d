import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Found } from '../../../store/queries/index.ts';
import { oneList } from './one-list.ts';

const found: Found[] = [
  { kind: 'premises', name: 'Dolan', detail: '1 Hill Road', href: '/premises/1' },
  { kind: 'appliance', name: 'Dishwasher', detail: 'Dolan', href: '/premises/1' },
];
const list = (typed: string, of: Found[] = []) => oneList(typed, of, { today: '2026-05-20', words: {} });
const first = (typed: string, of?: Found[]) => list(typed, of)[0];

describe('one list', () => {
  it('begins with a screen by its name, or by what it is called', () => {
    assert.equal(first('stock')?.href, '/stock');
    assert.equal(first(' Load ')?.href, '/stock?load=2026-05-20');
    assert.equal(first('House rules')?.href, '/rules');
    assert.equal(first('schedule')?.href, '/week');
    assert.equal(first('visit'), undefined);
  });
  it('begins with a question that is read without a word left', () => {
    assert.deepEqual(
      [first('3/8 comp to dishwasher', found)?.kind, first('3/8 comp to dishwasher')?.href],
      ['match', '/match?q=3%2F8%20comp%20to%20dishwasher'],
    );
    assert.equal(first('will a 1/2 fip nut fit a ballcock')?.kind, 'fits');
    assert.equal(first('fill valve drips')?.kind, 'leak');
    assert.equal(first('gas dryer')?.kind, 'not ours');
  });
  it('begins with a customer whose name it is, and keeps the rest behind', () => {
    assert.deepEqual(
      list('dolan', found).map((f) => f.kind),
      ['premises', 'appliance'],
    );
    assert.deepEqual(
      list('dolan dishwasher', found).map((f) => f.kind),
      ['premises', 'appliance', 'match'].slice(0, 2).concat('match'),
    );
  });
  it('is empty where nothing is known of it', () => assert.deepEqual(list('zither nowhere'), []));
});
