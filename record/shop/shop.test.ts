import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { MOST_OWN_LETTERS } from '../../core/index.ts';
import { shop } from './shop.ts';
import type { Shop } from './state.ts';

const told = shop.changes['word-told'] as unknown as {
  shape: { safeParse: (body: unknown) => { success: boolean; data?: { word: string; means: string | null } } };
  apply: (now: Shop, body: { word: string; means: string | null }) => Shop;
  holds: (entry: { body: { word: string; means: string | null } }, now: Shop) => { rule: string } | null;
  says: (body: { word: string; means: string | null }) => string;
};
const empty = shop.begins('1', undefined as never);

describe('a word of the shop', () => {
  it('is kept in small letters, said anew, and taken away', () => {
    const { data } = told.shape.safeParse({ word: ' B Nut ', means: '1/2 fip nut' });
    assert.deepEqual(data, { word: 'b nut', means: '1/2 fip nut' });
    const once = told.apply(empty, data!);
    assert.deepEqual(once.words, { 'b nut': '1/2 fip nut' });
    assert.deepEqual(told.apply(once, { word: 'b nut', means: '3/8 comp nut' }).words, { 'b nut': '3/8 comp nut' });
    assert.deepEqual(told.apply(once, { word: 'b nut', means: null }).words, {});
    assert.equal(told.says({ word: 'b nut', means: null }), '"b nut" is no word of the shop any more');
  });
  it('is refused where it is none: a size, a letter, what is not ours, too long', () => {
    for (const word of ['3/8', 'x', '', 'gas', 'water heater', 'w'.repeat(MOST_OWN_LETTERS.word + 1)])
      assert.equal(told.shape.safeParse({ word, means: 'toilet' }).success, false, word);
    assert.equal(told.shape.safeParse({ word: 'gizmo', means: ' ' }).success, false);
  });
  it('is refused beyond so many, and may still be taken away', () => {
    const full = { ...empty, words: Object.fromEntries(Array.from({ length: 300 }, (_, i) => [`word ${i}`, 'toilet'])) };
    assert.equal(told.holds({ body: { word: 'gizmo', means: 'toilet' } }, full)?.rule, 'too-many-words');
    assert.equal(told.holds({ body: { word: 'word 1', means: null } }, full), null);
  });
});
