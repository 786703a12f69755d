import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { readWhen } from './when.ts';

// A Thursday.
const TODAY = '2026-11-26';

describe('day and hour as they are said', () => {
  const table: [said: string, onDate: string | null, startsAt: string | null][] = [
    ['tomorrow 10', '2026-11-27', '10:00'],
    ['tom 10', '2026-11-27', '10:00'],
    ['tomorrow at ten', '2026-11-27', '10:00'],
    ['in two weeks at nine', '2026-12-10', '09:00'],
    ['today 14:30', TODAY, '14:30'],
    ['today', TODAY, null],
    ['fri 9', '2026-11-27', '09:00'],
    ['thursday 2 pm', '2026-12-03', '14:00'],
    ['next monday 8:15', '2026-11-30', '08:15'],
    ['Wed. at 1030', '2026-12-02', '10:30'],
    ['wednesday at noon', '2026-12-02', '12:00'],
    ['27 nov 14:30', '2026-11-27', '14:30'],
    ['nov 27 2pm', '2026-11-27', '14:00'],
    ['3rd of december at 9', '2026-12-03', '09:00'],
    ['the 28th at 8', '2026-11-28', '08:00'],
    ['the 3rd, 11', '2026-12-03', '11:00'],
    ['in 3 days 10', '2026-11-29', '10:00'],
    ['2 weeks 9', '2026-12-10', '09:00'],
    ['12/1 8', '2026-12-01', '08:00'],
    ['1/15', '2027-01-15', null],
    ['2026-12-24 07:30', '2026-12-24', '07:30'],
    ['10', null, '10:00'],
    ['2', null, '14:00'],
    ['2am', null, '02:00'],
    ['12 pm', null, '12:00'],
    ['12 am', null, '00:00'],
    ['0:30', null, '00:30'],
    ['5:00', null, '05:00'],
    ['sat morning', '2026-11-28', '08:00'],
    ['feb 30', null, null],
    ['', null, null],
    ['whenever', null, null],
  ];
  for (const [said, onDate, startsAt] of table) {
    it(`"${said}"`, () => {
      const { onDate: day, startsAt: time } = readWhen(said, TODAY);
      assert.deepEqual([day, time], [onDate, startsAt]);
    });
  }
  it('keeps what it could not read', () => {
    assert.deepEqual(readWhen('tomorrow at ten sharp', TODAY).unread, ['sharp']);
  });
  it('reads whatever is typed without a fault, and only days and times that are', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), (text) => {
        const { onDate, startsAt } = readWhen(text, TODAY);
        assert.ok(onDate === null || /^\d{4}-\d\d-\d\d$/.test(onDate));
        assert.ok(startsAt === null || /^([01]\d|2[0-3]):[0-5]\d$/.test(startsAt));
      }),
    );
  });
});
