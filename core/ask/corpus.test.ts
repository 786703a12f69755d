/** The reader against a thousand questions that were written before it. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { chance } from './corpus/chance.testing.ts';
import { faults, type Sentence, sentences, slipped } from './corpus/score.testing.ts';
import { readQuestion } from './question.ts';

const own = sentences.filter((s) => !s.isHeld);
const held = sentences.filter((s) => s.isHeld);

function share(of: readonly Sentence[], as: (text: string) => string = (text) => text): { right: number; wrong: string } {
  const wrong = of.flatMap((s) => {
    const text = as(s.text);
    const found = faults(s, readQuestion(text));
    return found.length > 0 ? [`${s.isHeld ? `form ${s.form}` : text}: ${found.join(', ')}`] : [];
  });
  return { right: 1 - wrong.length / of.length, wrong: wrong.slice(0, 20).join('\n') };
}

describe('a thousand questions', () => {
  it('are a thousand, by more than sixty forms, a third of them held', () => {
    assert.equal(sentences.length, 1000);
    assert.ok(new Set(sentences.map((s) => s.form)).size > 60);
    assert.ok(held.length > 300);
  });
  it('are read right: those that the rows were made by', () => {
    const { right, wrong } = share(own);
    assert.ok(right >= 0.97, `${right}\n${wrong}`);
  });
  it('are read right: those that nobody looked at', () => {
    const { right, wrong } = share(held);
    assert.ok(right >= 0.92, `${right}\n${wrong}`);
  });
  it('are read right with one slip of the keyboard', () => {
    const next = chance(7);
    const { right, wrong } = share(sentences, (text) => slipped(text, next));
    assert.ok(right >= 0.92, `${right}\n${wrong}`);
  });
  it('are asked back where they are read wrong, but for two in a hundred', () => {
    const silent = sentences.filter((s) => {
      const read = readQuestion(s.text);
      return read.asked.length === 0 && read.unread.length === 0 && faults(s, read).length > 0;
    });
    assert.ok(silent.length / sentences.length <= 0.02, `${silent.length}`);
  });
  it('never give an end for what is not ours, with a slip or without', () => {
    const next = chance(11);
    for (const s of sentences.filter((one) => one.kind === 'not-ours')) {
      const { from, to, kind } = readQuestion(s.text);
      assert.deepEqual([kind, from.length + to.length], ['not-ours', 0], s.text);
      const text = slipped(s.text, next);
      const again = readQuestion(text);
      assert.ok(again.kind === 'not-ours' || again.from.length + again.to.length === 0 || again.unread.length > 0, text);
    }
  });
});
