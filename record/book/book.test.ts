import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { bookRefusal } from './check.ts';
import type { BookEntry, SubjectKind } from './entry.ts';
import { standingOf, stateOf } from './fold.ts';
import type { BookNow } from './now.ts';
import { readFiledBook, readSentBook } from './shape.ts';
import type { States } from './states.ts';
import { NO_WORDS, tellBook } from './words.ts';

const T0 = Date.UTC(2026, 4, 20, 8);
const at = (minute: number): string => new Date(T0 + minute * 60_000).toISOString();
const id = (n: number): string => `0190a000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const [HOUSE, KITCHEN, TOILET, RUN, VISIT, OTHER] = [id(1), id(2), id(3), id(4), id(5), id(6)] as [string, string, string, string, string, string];

let made = 100;
function said(
  kind: SubjectKind,
  subjectId: string,
  change: string,
  body: BookEntry['body'],
  minute: number,
  more: Partial<BookEntry> = {},
): BookEntry {
  made += 1;
  const time = at(minute);
  return {
    id: id(made),
    deviceId: 'phone',
    seenAt: time,
    sentAt: time,
    recordedAt: time,
    correctsId: null,
    subject: { kind, id: subjectId },
    change,
    body,
    ...more,
  };
}

const visitMade = said('visit', VISIT, 'made', { premisesId: HOUSE, onDate: '2026-05-21', startsAt: '10:00', title: 'Drip' }, 0);
const added = (runId: string, minute: number, work = 'toilet-line') => said('visit', VISIT, 'run-added', { runId, work }, minute);

describe('a subject of the book', () => {
  it('stands as it was said last, corrections in the place of what they correct', () => {
    const moved = said('visit', VISIT, 'changed', { onDate: '2026-05-22' }, 1);
    const later = said('visit', VISIT, 'changed', { startsAt: '14:00' }, 2);
    const corrected = said('visit', VISIT, 'changed', { onDate: '2026-05-25' }, 3, { correctsId: moved.id });
    const now = stateOf('visit', VISIT, [later, corrected, moved, visitMade])!;
    assert.deepEqual([now.onDate, now.startsAt, now.title], ['2026-05-25', '14:00', 'Drip']);
    const back = said('visit', VISIT, 'withdrawn', { reason: 'wrong day' }, 4, { correctsId: corrected.id });
    assert.equal(stateOf('visit', VISIT, [visitMade, moved, later, corrected, back])!.onDate, '2026-05-22');
  });

  it('is not there when its making was taken back, and is when that is put back', () => {
    const back = said('visit', VISIT, 'withdrawn', { reason: 'wrong house' }, 1, { correctsId: visitMade.id });
    const again = said('visit', VISIT, 'withdrawn', { reason: 'right house' }, 2, { correctsId: back.id });
    assert.equal(stateOf('visit', VISIT, [visitMade, back]), null);
    assert.equal(stateOf('visit', VISIT, [visitMade, back, again])!.title, 'Drip');
  });

  it('keeps its list in order: put on, taken off, put back in its place, put in order', () => {
    const list = [added('a', 1), added('b', 2), added('c', 3), said('visit', VISIT, 'run-removed', { runId: 'b', reason: 'not today' }, 4)];
    const order = (more: BookEntry[]) =>
      stateOf('visit', VISIT, [visitMade, ...list, ...more])!
        .runs.map((r) => `${r.runId}${r.removed ? '-' : ''}`)
        .join(' ');
    assert.equal(order([]), 'a b- c');
    assert.equal(order([added('b', 5)]), 'a b c');
    assert.equal(order([said('visit', VISIT, 'ordered', { runIds: ['c', 'a'] }, 6)]), 'c a b-');
  });

  it('shows what two devices said of the same field without knowing of each other, and which stands', () => {
    const phone = said('visit', VISIT, 'changed', { startsAt: '11:00' }, 10, { recordedAt: at(60), sentAt: at(60) });
    const office = said('visit', VISIT, 'changed', { startsAt: '15:00' }, 20, { deviceId: 'office' });
    const { state, conflicts } = standingOf('visit', VISIT, [visitMade, phone, office]);
    assert.equal(state!.startsAt, '15:00');
    assert.deepEqual(conflicts, [{ field: 'startsAt', entries: [phone.id, office.id], values: ['11:00', '15:00'] }]);
    // Said once more by somebody who has seen both, it is settled; and a change that knew of the other is no conflict.
    assert.deepEqual(
      standingOf('visit', VISIT, [visitMade, phone, office, said('visit', VISIT, 'changed', { startsAt: '15:00' }, 90)]).conflicts,
      [],
    );
    assert.deepEqual(standingOf('visit', VISIT, [visitMade, { ...phone, sentAt: at(10), recordedAt: at(10) }, office]).conflicts, []);
  });

  it('goes by the time put right where a clock was off', () => {
    // An hour slow: it says 07:05 and it was 08:05.
    const slow = said('visit', VISIT, 'changed', { title: 'Slow' }, -55, { sentAt: at(-54), recordedAt: at(6) });
    const right = said('visit', VISIT, 'changed', { title: 'Right' }, 3, { deviceId: 'office' });
    assert.equal(stateOf('visit', VISIT, [visitMade, slow, right])!.title, 'Slow');
  });

  it('is the same in whatever order its entries come', () => {
    const all = [
      visitMade,
      added('a', 1),
      added('b', 2),
      said('visit', VISIT, 'changed', { title: 'Two' }, 3, { deviceId: 'office' }),
      said('visit', VISIT, 'cancelled', { reason: 'ill' }, 4),
      said('visit', VISIT, 'restored', { reason: 'well' }, 5, { deviceId: 'office' }),
      said('visit', VISIT, 'arrived', {}, 6),
    ];
    const one = standingOf('visit', VISIT, all);
    fc.assert(fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (mixed) => assert.deepEqual(standingOf('visit', VISIT, mixed), one)));
  });
});

describe('what is taken into the book', () => {
  const entries: BookEntry[] = [
    said('premises', HOUSE, 'made', { name: 'House', timeZone: 'UTC' }, 0),
    said('place', KITCHEN, 'made', { premisesId: HOUSE, name: 'Kitchen' }, 0),
    said('appliance', TOILET, 'made', { premisesId: HOUSE, placeId: KITCHEN, kind: 'toilet', name: 'Toilet' }, 0),
    said('run', RUN, 'made', { applianceId: TOILET, water: 'cold', name: 'Toilet' }, 0),
    visitMade,
    said('premises', OTHER, 'made', { name: 'Other house', timeZone: 'UTC' }, 0),
  ];
  const of = (subjectId: string) => entries.filter((e) => e.subject.id === subjectId);
  const book = (more: Partial<BookNow> = {}): BookNow => ({
    get: <K extends SubjectKind>(kind: K, subjectId: string): States[K] | null => {
      const own = of(subjectId).filter((e) => e.subject.kind === kind);
      return own.length === 0 ? null : stateOf(kind, subjectId, own);
    },
    hangsOn: () => null,
    hasChain: () => false,
    hasRecord: () => false,
    ...more,
  });
  const rule = (entry: BookEntry, more: Partial<BookNow> = {}): string => bookRefusal(entry, of(entry.subject.id), book(more))?.rule ?? 'taken';

  it('names what is on record, and what belongs together', () => {
    const place = id(50);
    const table: [BookEntry, string][] = [
      [said('place', place, 'made', { premisesId: id(99), name: 'Attic' }, 1), 'unknown-premises'],
      [said('appliance', place, 'made', { premisesId: OTHER, placeId: KITCHEN, kind: 'toilet', name: 'Toilet' }, 1), 'other-premises'],
      [said('visit', VISIT, 'run-added', { runId: id(98), work: 'toilet-line' }, 1), 'unknown-run'],
      [said('visit', VISIT, 'run-added', { runId: RUN, work: 'hydrant' }, 1), 'other-work'],
      [said('visit', VISIT, 'run-added', { runId: RUN, work: 'stop-replace' }, 1), 'taken'],
      [said('visit', VISIT, 'run-removed', { runId: RUN, reason: 'no' }, 1), 'not-on-list'],
      [said('visit', id(97), 'changed', { title: 'x' }, 1), 'unknown-visit'],
      [said('visit', VISIT, 'made', { premisesId: HOUSE, onDate: '2026-05-21', startsAt: '10:00', title: 'Again' }, 1), 'made-already'],
      [said('follow-up', id(96), 'made', { premisesId: OTHER, runId: RUN, text: 'Look again' }, 1), 'other-premises'],
      [said('follow-up', id(96), 'made', { premisesId: HOUSE, runId: RUN, text: 'Look again' }, 1), 'taken'],
      [said('stock', id(95), 'received', { item: 'x', quantity: 1, reason: 'bought' }, 1), 'unknown-stock'],
      [said('shop', id(94), 'changed', { name: 'Shop' }, 1), 'taken'],
      [said('visit', VISIT, 'painted', {}, 1), 'unknown-change'],
    ];
    for (const [entry, expected] of table) assert.equal(rule(entry), expected, `${entry.subject.kind} ${entry.change}`);
  });

  it('does not change the work of a run whose chain is accepted', () => {
    entries.push(said('visit', VISIT, 'run-added', { runId: RUN, work: 'toilet-line' }, 2));
    const other = said('visit', VISIT, 'run-added', { runId: RUN, work: 'toilet-replace' }, 3);
    assert.equal(rule(other), 'taken');
    assert.equal(rule(other, { hasChain: () => true }), 'chain-accepted');
  });

  it('corrects and takes back what was said of the same subject, once, and leaves nothing in the air', () => {
    const title = said('visit', VISIT, 'changed', { title: 'Wrong' }, 4);
    entries.push(title);
    const correct = (more: Partial<BookEntry>) => said('visit', VISIT, 'changed', { title: 'Right' }, 5, { correctsId: title.id, ...more });
    assert.equal(rule(correct({})), 'taken');
    assert.equal(rule(correct({ correctsId: id(93) })), 'unknown-entry');
    assert.equal(rule(correct({ change: 'cancelled', body: { reason: 'x' } })), 'other-kind');
    const elsewhere = { ...visitMade.body, premisesId: OTHER };
    assert.equal(rule(said('visit', VISIT, 'made', elsewhere, 5, { correctsId: visitMade.id })), 'other-owner');
    entries.push(correct({}));
    assert.equal(rule(correct({})), 'corrected-already');
    const back = said('visit', VISIT, 'withdrawn', { reason: 'wrong' }, 6, { correctsId: visitMade.id });
    assert.equal(rule(back), 'taken');
    assert.equal(rule(back, { hangsOn: () => 'a run' }), 'in-use');
    assert.equal(rule({ ...back, correctsId: null }), 'takes-back-nothing');
    const listed = entries.find((e) => e.change === 'run-added')!;
    assert.equal(rule({ ...back, correctsId: listed.id }, { hasRecord: () => true }), 'in-use');
  });

  it('never brings back a contact that was erased', () => {
    const erased = said('premises', HOUSE, 'contact-erased', {}, 7);
    entries.push(erased);
    assert.equal(rule(said('premises', HOUSE, 'withdrawn', { reason: 'after all' }, 8, { correctsId: erased.id })), 'final');
  });
});

describe('an entry of the book at the border', () => {
  const sent = (change: string, body: unknown, kind = 'visit') => ({
    ...visitMade,
    subject: { kind, id: VISIT },
    deviceId: id(7),
    recordedAt: null,
    change,
    body,
  });
  it('names the field that will not do', () => {
    const table: [unknown, string, RegExp][] = [
      [sent('made', { premisesId: HOUSE, onDate: '2026-13-01', startsAt: '10:00', title: 'x' }), 'body.onDate', /day/],
      [sent('made', { premisesId: HOUSE, onDate: '2026-05-21', startsAt: '24:00', title: 'x' }), 'body.startsAt', /HH:MM/],
      [sent('made', { premisesId: HOUSE, onDate: '2026-05-21', startsAt: '10:00', title: ' ' }), 'body.title', /name/],
      [sent('run-added', { runId: RUN, work: 'paint' }), 'body.work', /no kind of work/],
      [sent('run-added', { runId: RUN, work: 'toilet-line', told: [{ side: 'from', end: 'comp-9/9-m' }] }), 'body.told[0].end', /not an end code/],
      [sent('changed', {}), 'body', /nothing/],
      [sent('changed', { premisesId: OTHER }), 'body.premisesId', /not known/],
      [sent('painted', {}), 'change', /no "painted"/],
      [sent('made', { premisesId: HOUSE, placeId: KITCHEN, kind: 'kettle', name: 'x' }, 'appliance'), 'body.kind', /kettle/],
      [sent('made', { name: 'x', timeZone: '+05:00' }, 'premises'), 'body.timeZone', /time zone/],
      [sent('counted', { item: 'x', quantity: -1 }, 'stock'), 'body.quantity', /less than 0/],
      [{ ...sent('arrived', {}), seq: 0 }, 'seq', /from 1/],
      [{ ...sent('arrived', {}), subject: { kind: 'boat', id: VISIT } }, 'subject.kind', /no kind/],
      [{ ...sent('arrived', {}), extra: 1 }, 'extra', /not known/],
      [sent('changed', { title: 'a\0b' }), 'body.title', /cannot be kept/],
    ];
    for (const [raw, where, why] of table) {
      const read = readSentBook(raw);
      assert.ok(!read.ok, `${where} was read`);
      assert.equal(read.at, where);
      assert.match(read.why, why);
    }
  });
  it('is read as it was written, from a device and from a file', () => {
    const read = readSentBook(sent('run-added', { runId: RUN, work: 'toilet-line', told: [{ side: 'to', end: 'bc-7/8-m' }] }));
    assert.ok(read.ok);
    assert.ok(readFiledBook({ ...visitMade, deviceId: id(7) }).ok);
    assert.ok(!readFiledBook({ ...visitMade, deviceId: id(7), recordedAt: null }).ok);
  });
  it('is told in plain words', () => {
    const words = { ...NO_WORDS, subject: () => 'Lodge toilet' };
    const tell = (kind: SubjectKind, change: string, body: BookEntry['body']) => tellBook(said(kind, VISIT, change, body, 0), words);
    assert.equal(tell('visit', 'run-added', { runId: RUN, work: 'toilet-line' }), 'Lodge toilet put on the list: toilet: new flexible line');
    assert.equal(tell('visit', 'changed', { onDate: '2026-05-22', note: null }), 'changed: day "2026-05-22", note none');
    assert.equal(tell('premises', 'changed', { quiet: { from: '21:00', to: '07:00' } }), 'changed: quiet hours from "21:00", to "07:00"');
    assert.equal(tell('visit', 'withdrawn', { reason: 'wrong day' }), 'taken back: wrong day');
  });
});
