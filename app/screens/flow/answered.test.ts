import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../../catalog/index.ts';
import { operatingPoint } from '../../../core/index.ts';
import { fastestWords, timeWords } from './answer-words.ts';
import { answered } from './answered.ts';
import { together } from './at-once.ts';
import { curves } from './curves.ts';
import { readSetting, usualSetting } from './setting.ts';

const { appliances, losses, parts } = catalogue();
const readOf = (id: string, more: object = {}) =>
  readSetting({ ...usualSetting(appliances.find((a) => a.id === id)!), ...more }, appliances, losses, parts).read!;

describe('what a line gives', () => {
  it('is answered for every appliance; of nothing that reads nothing is said, and what the core will not have is said in words', () => {
    for (const { id } of appliances) {
      const { found, wrong } = answered(readOf(id), losses, false);
      assert.ok(found && found.answer.now.gpm > 0 && wrong === '', id);
    }
    assert.deepEqual(answered(null, losses, false), { found: null, wrong: '' });
    const bad = readOf('toilet');
    const { found, wrong } = answered({ ...bad, line: { ...bad.line, tempF: 900 } }, losses, false);
    assert.equal(found, null);
    assert.match(wrong, /900/);
  });

  it('crosses what the appliance asks where it runs, and falls the more flows', () => {
    const { found } = answered(readOf('tub-filler'), losses, false);
    const point = operatingPoint(found!.line);
    const { line, valve, mostGpm } = curves(found!.line, point);
    assert.equal(line.length, valve.length);
    assert.equal(line[0]!.y, point.staticPsi);
    assert.ok(Math.abs(line.at(-1)!.x - mostGpm) < 1e-9);
    for (let i = 1; i < line.length; i++) assert.ok(line[i]!.y <= line[i - 1]!.y + 1e-6 && valve[i]!.y > valve[i - 1]!.y);
    // Left of where it runs the line leaves more than the valve asks, right of it less.
    for (const [i, { x, y }] of line.entries()) {
      if (x < point.gpm * 0.95) assert.ok(y > valve[i]!.y, `at ${x}`);
      if (x > point.gpm * 1.05) assert.ok(y < valve[i]!.y, `at ${x}`);
    }
  });

  it('ends upright where the appliance holds itself to its own flow', () => {
    const { found } = answered(readOf('basin-faucet'), losses, false);
    const point = operatingPoint(found!.line);
    assert.equal(point.gpm, 1.5);
    const { valve } = curves(found!.line, point);
    assert.deepEqual(valve.at(-1), { x: 1.5, y: point.inletPsi });
    assert.ok(valve.at(-2)!.x <= 1.5 && valve.at(-2)!.y < point.inletPsi);
  });

  it('is less with another open on the same pipe', () => {
    const alone = together({ read: readOf('tub-filler'), appliances, losses });
    const washer = appliances.find((a) => a.id === 'washing-machine')!;
    const both = together({ read: { ...readOf('tub-filler'), also: [washer] }, appliances, losses });
    assert.deepEqual(
      both.map((d) => d.name),
      [alone[0]!.name, washer.name],
    );
    assert.ok(both[0]!.gpm < alone[0]!.gpm);
  });

  it('is said in seconds, minutes and hours as one does, and at the piece where it runs fastest', () => {
    assert.deepEqual([0.4, 89, 90, 600, 5399, 5400, 86_400].map(timeWords), ['0 s', '89 s', '1.5 min', '10 min', '90 min', '1.5 h', '24 h']);
    assert.equal(fastestWords({ gpm: 2.504, speedFtS: [3, 9, 4] } as never), 'In piece 2, the narrowest: 2.5 gpm over the area of its bore.');
  });
});
