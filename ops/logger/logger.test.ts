import assert from 'node:assert/strict';
import { connect } from 'node:net';
import { describe, it } from 'node:test';
import { type Decay, pressureDecay } from '../../core/index.ts';
import { chance } from '../../store/seed/random.ts';
import { SCENARIOS, scenarioById } from './scenarios.ts';
import { startLogger } from './serve.ts';
import { type Reading, ShutLine } from './shut-line.ts';

/** Logged for so long, then 5 mL let out three times. */
function logged(id: string, minutes: number, seed = 1): Decay {
  const line = new ShutLine(scenarioById(id)!, chance(seed));
  const readings: Reading[] = [];
  for (let i = 0; i < 400; i++) {
    line.pass(minutes / 400);
    const reading = line.read();
    if (reading) readings.push(reading);
  }
  const letOut = [5, 5, 5].map((ml) => {
    const before = line.psi;
    line.letOut(ml);
    return { ml, psiBefore: before, psiAfter: line.psi };
  });
  return pressureDecay({ readings, letOut, gaugeSigmaPsi: line.scenario.gaugeSigmaPsi });
}

describe('a simulated shut line', () => {
  it('loses what its leak takes: pressure times give, to the drop', () => {
    const line = new ShutLine({ ...scenarioById('slow-leak')!, swingF: 0 }, chance(1));
    const begun = line.psi;
    line.pass(60);
    const lost = (begun - line.psi) * line.scenario.giveMlPerPsi;
    // The leak falls with the root of the pressure: its mean lies between both ends.
    const [most, least] = [begun, line.psi].map((psi) => (45 / 24) * Math.sqrt(psi / 60));
    assert.ok(lost < most! && lost > least!, `${lost} mL in an hour, ${least} to ${most}`);
  });

  it('with air in it keeps pressure times volume: Boyle', () => {
    const line = new ShutLine({ ...scenarioById('air')!, giveMlPerPsi: 1e-9, swingF: 0 }, chance(1));
    const volume = () => (line.scenario.airMl * 14.696) / (line.psi + 14.696);
    const begun = volume();
    line.letOut(5);
    assert.ok(Math.abs(volume() - begun - 5) < 0.02, `${volume() - begun}`);
  });

  it('is read the same for the same seed, and loses readings where it should', () => {
    const some = (seed: number) => {
      const line = new ShutLine(scenarioById('noisy')!, chance(seed));
      return Array.from({ length: 500 }, () => {
        line.pass(0.02);
        return line.read();
      });
    };
    assert.deepEqual(some(3), some(3));
    const lost = some(3).filter((r) => r === null).length;
    assert.ok(lost > 25 && lost < 80, `${lost} of 500 lost`);
  });
});

describe('what the gauge says of each line', () => {
  it('a leak is found, a tight line is not called leaking, whatever the room does', () => {
    for (const { id } of SCENARIOS) {
      const verdicts = Array.from({ length: 12 }, (_, seed) => logged(id, 60, seed + 1).verdict);
      const leaking = verdicts.filter((v) => v === 'leaking').length;
      const leaks = scenarioById(id)!.leakMlPerDay > 0;
      if (id === 'slow-leak') assert.equal(leaking, 12, id);
      else if (!leaks) assert.ok(leaking <= 2, `${id}: ${verdicts}`);
    }
  });

  it('a valve that passes makes it rise, and that is told', () => {
    assert.ok(
      logged('passing', 60).because.some((r) => r.rule === 'rises'),
      'rises',
    );
  });
});

/** Messages of a gauge until one of them is as wanted. */
function untilSaid(port: number, tell: object[], wanted: (message: Record<string, unknown>) => boolean): Promise<Record<string, unknown>[]> {
  return new Promise((done, failed) => {
    const socket = connect(port, '127.0.0.1', () => {
      for (const line of tell) socket.write(`${JSON.stringify(line)}\n`);
    });
    const all: Record<string, unknown>[] = [];
    let rest = '';
    socket.setEncoding('utf8');
    socket.setTimeout(5000, () => socket.destroy(new Error(`never said: ${JSON.stringify(all.slice(-3))}`)));
    socket.on('error', failed);
    socket.on('data', (text) => {
      const lines = (rest + text).split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) {
        all.push(JSON.parse(line));
        if (!wanted(all.at(-1)!)) continue;
        socket.destroy();
        return done(all);
      }
    });
  });
}

describe('the gauge on the wire', () => {
  it('speaks lines of JSON over TCP: the line, readings in order, what was let out; faults in words', async () => {
    const gauge = await startLogger({ tcpPort: 0, httpPort: 0, speed: 60 });
    try {
      const all = await untilSaid(
        gauge.tcpPort,
        [{ scenario: 'slow-leak' }, { letOut: 5 }],
        (m) => ((m.reading as Reading | undefined)?.minutes ?? 0) > 0.2,
      );
      assert.deepEqual(
        all.filter((m) => m.line).map((m) => (m.line as { scenario: string }).scenario),
        ['tight', 'slow-leak'],
      );
      const out = all.find((m) => m.letOut)!.letOut as { ml: number; psiBefore: number; psiAfter: number };
      assert.ok(out.psiBefore - out.psiAfter > 10, JSON.stringify(out));
      const [fault] = (await untilSaid(gauge.tcpPort, [{ scenario: 'unheard of' }], (m) => m.fault !== undefined)).slice(-1);
      assert.match(String(fault!.fault), /tight, slow-leak/);
    } finally {
      await gauge.close();
    }
  });

  it('speaks the same as events over HTTP, and lets out of the line that is meant', async () => {
    const gauge = await startLogger({ tcpPort: 0, httpPort: 0 });
    const at = `http://127.0.0.1:${gauge.httpPort}`;
    try {
      const events = await fetch(`${at}/stream?scenario=air&speed=60`);
      const reader = events.body!.pipeThrough(new TextDecoderStream()).getReader();
      const { value } = await reader.read();
      const { line } = JSON.parse(/data: (.*)/.exec(value!)![1]!);
      assert.equal(line.scenario, 'air');
      const post = (id: string, body: string) => fetch(`${at}/lines/${id}/let-out`, { method: 'POST', body });
      const said = (await (await post(line.id, '{"ml":5}')).json()) as { letOut: { ml: number } };
      assert.equal(said.letOut.ml, 5);
      assert.deepEqual(
        [(await post(line.id, '{"ml":-5}')).status, (await post(line.id, 'no')).status, (await post('99', '{"ml":5}')).status],
        [422, 422, 404],
      );
      assert.equal((await fetch(`${at}/stream?scenario=none`)).status, 404);
      await reader.cancel();
    } finally {
      await gauge.close();
    }
  });
});
