import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, it } from 'node:test';
import type { BookEntry } from './book/entry.ts';
import { stateOf } from './book/fold.ts';
import { NO_WORDS, tellBook } from './book/words.ts';
import { isOfPress, pressReason, reasonWords } from './reasons.ts';
import { toEntry } from './run/entry.testing.ts';
import { historyOf } from './run/history.ts';
import { runState } from './run/state.ts';
import { acceptedOf, CONTEXT, HOSES } from './run/testing.ts';
import { describer, happenings } from './words.ts';

describe('why something was done', () => {
  it('is told as it was typed, of a press in words, of a newer program’s press by its id', () => {
    assert.equal(reasonWords('the owner wants another hose'), 'the owner wants another hose');
    assert.equal(reasonWords(pressReason('in-use-again')), 'in use again');
    assert.equal(reasonWords('press:of-a-day-to-come'), 'of a day to come');
    assert.equal(reasonWords(pressReason('used-unnoted')), 'used and not noted');
    assert.deepEqual(['press:settled', 'pressed by mistake', 4, null].map(isOfPress), [true, false, false, false]);
  });

  it('is in words wherever it is told: of a run, in its state and what happened', () => {
    const off = toEntry('listed', { on: false, reason: pressReason('cannot-be-read') }, 1);
    const note = toEntry('noted', { text: pressReason('leak-shut') }, 2);
    const back = { ...toEntry('withdrawn', { reason: pressReason('put-back') }, 3), correctsId: note.id };
    assert.equal(runState(CONTEXT, [off, note]).offList, 'cannot be read');
    assert.deepEqual(runState(CONTEXT, [note]).notes, ['Running leak: water shut off, then power.']);
    const history = historyOf([off, note, back], CONTEXT.runId);
    const told = happenings(history, describer(runState(CONTEXT, [off, note, back]), history));
    assert.deepEqual([told[0]!.what, told[1]!.withdrawn!.reason], ['taken off the list: cannot be read', 'put back: it was right after all']);
  });

  it('is in words in the book too', () => {
    const said = (change: string, body: object, seq: number): BookEntry => {
      const at = new Date(Date.UTC(2026, 4, 20, 8, seq)).toISOString();
      const id = `0190a000-0000-7000-8000-00000000000${seq}`;
      const subject = { kind: 'appliance', id: 'a' } as const;
      return { id, deviceId: 'phone', seenAt: at, sentAt: at, recordedAt: at, correctsId: null, subject, change, body: body as BookEntry['body'] };
    };
    const made = said('made', { premisesId: 'p', placeId: 'k', kind: 'toilet', name: 'Toilet' }, 1);
    const retired = said('retired', { reason: pressReason('not-there') }, 2);
    const restored = said('restored', { reason: pressReason('in-use-again') }, 3);
    assert.equal(stateOf('appliance', 'a', [made, retired])!.retired, 'not there');
    assert.equal(stateOf('appliance', 'a', [made, retired, restored])!.retired, null);
    assert.deepEqual(
      [retired, restored].map((e) => tellBook(e, NO_WORDS)),
      ['retired: not there', 'brought back: in use again'],
    );
  });

  it('is a sentence in no press of a screen', () => {
    const screens = readdirSync('app', { recursive: true, encoding: 'utf8' }).filter((f) => /\.tsx?$/.test(f) && !f.includes('.test.'));
    assert.ok(screens.length > 200);
    const sentences = screens.filter((f) =>
      /\b(write|saying|newEntry|newBookEntry|tell)\([^;]*\b(reason|text): ?['"`]/.test(readFileSync(join('app', f), 'utf8')),
    );
    assert.deepEqual(sentences, []);
  });
});

describe('a note at a step of the card', () => {
  it('is told with the step’s title, and what is known to go wrong there by its own', () => {
    const context = {
      ...CONTEXT,
      stepData: CONTEXT.stepData.map((s) =>
        s.id === 'shut-stop'
          ? {
              ...s,
              title: 'Shut the stop',
              acts: [],
              recoveries: [{ id: 'spins', title: 'The handle spins', at: [], when: {}, steps: ['Shut the main'], source: 'test' }],
            }
          : s,
      ),
    } as unknown as typeof CONTEXT;
    const known = toEntry('noted', { stepId: 'shut-stop', wayId: 'spins' }, 1);
    const typed = toEntry('noted', { stepId: 'shut-stop', text: 'it weeps' }, 2);
    assert.deepEqual(runState(context, [known]).notes, ['At "a step of the card": something that went wrong'], 'there is no card yet');
    const chain = toEntry('chain-accepted', acceptedOf(HOSES[0]!, null), 0);
    assert.deepEqual(runState(context, [chain, known, typed]).notes, ['At "Shut the stop": The handle spins', 'At "Shut the stop": it weeps']);
  });
});
