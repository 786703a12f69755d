import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { planIsolation } from './plan-isolation.ts';
import { byChance, chanceOf, drawn } from './testing.ts';
import { joinWindows, type Span, type WindowJob } from './windows.ts';

const DAY = { from: 8 * 60, to: 17 * 60 };
const HOUSE =
  drawn(`street:source 0; m:junction 0; street|m gate works main; up:junction 8; m|up quarter-turn works upper; low:junction 1; m|low quarter-turn works lower
  bath:outlet 9; up-bath; wc:outlet 8; up-wc; shower:outlet 9; up-shower; sink:outlet 3; low-sink; yard:outlet 1; low|yard quarter-turn works yard-stop`);
const job = (id: string, minutes = 30, more: Partial<WindowJob> = {}): WindowJob => ({
  id,
  workOn: [id],
  minutes,
  slowMinutes: minutes + 10,
  ...more,
});
const brief = ({ windows }: ReturnType<typeof joinWindows>) => windows.map((w) => [w.jobs.join(' '), w.from, w.close.join(' '), w.dry.join(' ')]);

describe('windows of a day', () => {
  it('joins what hangs on the same valve, and leaves apart only what must be', () => {
    const answer = joinWindows(HOUSE, [job('bath'), job('wc')], DAY);
    assert.deepEqual(brief(answer), [['bath wc', 480, 'upper', 'shower']]);
    assert.deepEqual([answer.windows[0]!.to, answer.windows[0]!.slowTo, answer.left], [540, 560, []]);
    assert.deepEqual(
      brief(joinWindows(HOUSE, [job('bath', 30, { from: 800 }), job('wc', 30, { to: 700 })], DAY)).map(([jobs]) => jobs),
      ['wc', 'bath'],
    );
  });
  it('keeps out of quiet hours, in the slow case too, and says what finds no time or no plan', () => {
    const quiet = [
      { from: 500, to: 600 },
      { from: 610, to: 700 },
    ];
    assert.deepEqual(
      brief(joinWindows(HOUSE, [job('bath', 30)], DAY, quiet)).map((w) => w[1]),
      [700],
    );
    const answer = joinWindows(HOUSE, [job('bath', 30, { to: 600 }), job('main', 10), job('yard')], DAY, [{ from: 480, to: 570 }]);
    assert.deepEqual(answer.left, [
      { id: 'bath', why: 'no-time' },
      { id: 'main', why: 'no-plan' },
    ]);
    assert.deepEqual(brief(answer), [['yard', 570, 'yard-stop', '']]);
    assert.deepEqual(joinWindows(HOUSE, [], DAY), { windows: [], left: [] });
  });
  it('tells how far it is, and refuses times that cannot be', () => {
    const parts: number[] = [];
    joinWindows(HOUSE, [job('bath'), job('wc'), job('sink')], DAY, [], (part) => parts.push(part));
    assert.deepEqual([parts.length, parts.at(-1)], [7, 7 / 8]);
    assert.throws(() => joinWindows(HOUSE, [job('bath', 0)], DAY), /minutes/);
    assert.throws(
      () =>
        joinWindows(
          HOUSE,
          Array.from({ length: 13 }, () => job('bath')),
          DAY,
        ),
      /12 at most/,
    );
  });

  it('is the best of all orders of all sets, tried one by one', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const next = chanceOf(seed * 31);
      const net = byChance(next, { places: 18, valves: 9, loops: 2 });
      const jobs = [1, 2, 3, 4].map((n) => {
        const from = next() < 0.3 ? { from: 480 + Math.floor(next() * 300) } : {};
        return {
          id: `j${n}`,
          workOn: [net.places[1 + Math.floor(next() * 17)]!.id],
          minutes: 20 + Math.floor(next() * 60),
          slowMinutes: 90,
          ...from,
          ...(next() < 0.3 ? { to: 700 } : {}),
        };
      });
      const quiet = next() < 0.5 ? [{ from: 600, to: 660 }] : [];
      const { windows } = joinWindows(net, jobs, DAY, quiet);
      const got = [
        windows.flatMap((w) => w.jobs).length,
        windows.length,
        windows.reduce((sum, w) => sum + w.dry.length * (w.to - w.from), 0),
        windows.at(-1)?.slowTo ?? DAY.from,
      ];
      assert.deepEqual(got, tried(net, jobs, quiet), `seed ${seed}`);
    }
  });
});

/** Work done, windows, outlet-minutes, end: of every way to lay them, by trying. */
function tried(net: Parameters<typeof joinWindows>[0], jobs: readonly WindowJob[], quiet: readonly Span[]): number[] {
  let best = [0, 0, 0, DAY.from];
  const isBetter = (a: number[], b: number[]) => a[0]! > b[0]! || (a[0] === b[0] && (a[1]! - b[1]! || a[2]! - b[2]! || a[3]! - b[3]!) < 0);
  const go = (left: readonly WindowJob[], now: number[]) => {
    if (isBetter(now, best)) best = now;
    for (let set = 1; set < 2 ** left.length; set++) {
      const here = left.filter((_, i) => set & (1 << i));
      const plan = planIsolation(net, { workOn: here.flatMap((j) => j.workOn) });
      if (!plan.possible) continue;
      const slow = here.reduce((sum, j) => sum + j.slowMinutes, 0);
      // Minute by minute, until it lies right.
      let from = now[3]!;
      const lies = () =>
        here.every((j) => from >= (j.from ?? 0) && from + slow <= (j.to ?? DAY.to)) && quiet.every((q) => from >= q.to || from + slow <= q.from);
      while (from < DAY.to && !lies()) from++;
      if (from >= DAY.to) continue;
      const minutes = here.reduce((sum, j) => sum + j.minutes, 0);
      go(
        left.filter((j) => !here.includes(j)),
        [now[0]! + here.length, now[1]! + 1, now[2]! + plan.dry.length * minutes, from + slow],
      );
    }
  };
  go(jobs, best);
  return best;
}
