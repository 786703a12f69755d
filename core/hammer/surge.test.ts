import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { InputError } from '../errors.ts';
import { waterAt } from '../flow/water.ts';
import type { SurgePipe, SurgeQuestion } from './shape.ts';
import { michaudPsi, surge } from './surge.ts';

const near = (a: number, b: number, part: number, what: string) => assert.ok(Math.abs(a - b) <= part * Math.abs(b), `${what}: ${a} and ${b}`);
const COPPER: SurgePipe = { boreIn: 0.545, wallIn: 0.04, lengthFt: 30, modulusGpa: 117, roughnessMm: 0.0015 };
const PEX: SurgePipe = { boreIn: 0.475, wallIn: 0.075, lengthFt: 18, modulusGpa: 0.7, roughnessMm: 0.007 };
const LINE: SurgeQuestion = { pipes: [COPPER], staticPsi: 400, gpm: 2, closeMs: 0, tempF: 68, seconds: 0.3, isFrictionless: true };
const PSI = 6894.757;

describe('a valve that shuts at once', () => {
  it('raises the pressure by rho a v, whatever the tube', () => {
    const water = waterAt(68);
    for (const pipe of [COPPER, PEX]) {
      const r = surge({ ...LINE, pipes: [pipe] });
      const wave = Math.sqrt(water.bulkPa / water.density / (1 + (water.bulkPa / (pipe.modulusGpa * 1e9)) * (pipe.boreIn / pipe.wallIn)));
      const speed = (2 * 6.30902e-5) / ((Math.PI / 4) * (pipe.boreIn * 0.0254) ** 2);
      near(r.waveSpeedFtS, wave / 0.3048, 1e-9, 'wave speed');
      near(r.joukowskyPsi, (water.density * wave * speed) / PSI, 1e-5, 'Joukowsky');
      near(r.peakPsi - 400, r.joukowskyPsi, 1e-3, 'the rise');
    }
  });
  it('swings with a period of four times the length over the wave speed', () => {
    const r = surge(LINE);
    const falls = r.t.filter((_, i) => i > 0 && r.psi[i - 1]! > 400 && r.psi[i]! < 400);
    const period = (falls.at(-1)! - falls[0]!) / (falls.length - 1);
    near(period, (4 * 30) / r.waveSpeedFtS, 1e-3, 'period');
    near(r.roundTripS, (2 * 30) / r.waveSpeedFtS, 1e-9, 'round trip');
  });
  it('with friction rises a little more as the line packs, and then dies away', () => {
    const r = surge({ ...LINE, isFrictionless: false, gpm: 3, seconds: 3 });
    assert.ok(r.peakPsi - r.runningPsi > r.joukowskyPsi, 'the line does not pack');
    const late = r.psi.slice(-Math.round(r.psi.length / 10));
    assert.ok(Math.max(...late) - 400 < 0.9 * r.joukowskyPsi, 'nothing dies away');
  });
});

describe('a valve that shuts slowly', () => {
  it('in a straight line of flow: the round trip over the closing time', () => {
    for (const closeMs of [20, 35, 60, 120]) {
      const r = surge({ ...LINE, closeMs, reaches: 240 });
      near(r.peakPsi - 400, michaudPsi(r.joukowskyPsi, r.roundTripS, closeMs), 0.02, `${closeMs} ms`);
    }
    assert.equal(michaudPsi(100, 0.02, 10), 100);
  });
  it('by its opening: as the chain of interlocking equations has it', () => {
    // Allievi: z_i^2 + 2 rho eta_i z_i = 1 ... for a pipe without friction, told at whole round trips.
    const gpm = 1;
    const r = surge({ ...LINE, gpm, closeMs: 80, law: 'area', staticPsi: 60, reaches: 480 });
    const rho = r.joukowskyPsi / (2 * 60);
    let [zeta, eta] = [1, 1];
    for (let i = 1; i * r.roundTripS < 0.08; i++) {
      const opening = 1 - (i * r.roundTripS) / 0.08;
      // zeta_i^2 + zeta_(i-1)^2 - 2 = 2 rho (eta_(i-1) zeta_(i-1) - eta_i zeta_i)
      const c = zeta * zeta - 2 - 2 * rho * eta * zeta;
      const b = 2 * rho * opening;
      zeta = (-b + Math.sqrt(b * b - 4 * c)) / 2;
      eta = opening;
      const at = r.t.findIndex((t) => t >= i * r.roundTripS);
      near(r.psi[at]!, 60 * zeta * zeta, 0.01, `after ${i} round trips`);
    }
  });
  it('late, as a real valve does: the sum of all waves, each sent back at every round trip', () => {
    for (const closeMs of [15, 35, 80]) {
      const r = surge({ ...LINE, closeMs, law: 'late', reaches: 480 });
      const shut = (t: number) => (t <= 0 ? 0 : Math.min(1, t / (closeMs / 1000)) ** 2);
      const sum = (t: number) => {
        let p = shut(t);
        for (let k = 1; k * r.roundTripS < t; k++) p += 2 * (-1) ** k * shut(t - k * r.roundTripS);
        return 400 + r.joukowskyPsi * p;
      };
      near(r.peakPsi, Math.max(...r.t.map(sum)), 0.005, `${closeMs} ms`);
      for (const i of [100, 1000, 4000]) near(r.psi[i]!, sum(r.t[i]!), 0.02, `${closeMs} ms, reading ${i}`);
    }
  });
});

describe('pipes that meet', () => {
  it('pass a wave on and send one back by their impedances', () => {
    const wide: SurgePipe = { ...COPPER, boreIn: 0.785, wallIn: 0.045 };
    const r = surge({ ...LINE, pipes: [wide, COPPER], gpm: 1, seconds: 0.02, reaches: 600 });
    const narrow = r.joukowskyPsi;
    const z = (p: SurgePipe, wave: number) => wave / p.boreIn ** 2;
    const water = waterAt(68);
    const waveOf = (p: SurgePipe) => Math.sqrt(water.bulkPa / water.density / (1 + (water.bulkPa / (p.modulusGpa * 1e9)) * (p.boreIn / p.wallIn)));
    const [z1, z2] = [z(wide, waveOf(wide)), z(COPPER, waveOf(COPPER))];
    // Passed on: 2 z1 / (z1 + z2) of the wave; it stands at the joint until the supply answers.
    const through = (narrow * 2 * z1) / (z1 + z2);
    const middle = r.along.find((a) => Math.abs(a.ft - 30) < 0.2)!;
    near(middle.highPsi - 400, through, 0.01, 'at the joint');
    // Sent back and doubled at the shut valve.
    const after = r.psi[r.t.findIndex((t) => t > (2 * 30) / r.waveSpeedFtS + 0.0005)]!;
    near(after - 400, narrow + (2 * narrow * (z1 - z2)) / (z1 + z2), 0.02, 'at the valve');
  });
  it('a shut side line doubles what comes to its end', () => {
    const side = { after: 0, pipes: [{ ...COPPER, lengthFt: 12 }] };
    const r = surge({
      ...LINE,
      pipes: [
        { ...COPPER, lengthFt: 40 },
        { ...COPPER, lengthFt: 20 },
      ],
      branches: [side],
      gpm: 1,
      seconds: 0.012,
      reaches: 600,
    });
    // Three alike meet: two thirds go on, and double at the shut end.
    near(r.worst.psi - 400, r.joukowskyPsi * (4 / 3), 0.01, 'the side line’s end');
    assert.deepEqual([r.worst.branch, Math.round(r.worst.ft)], [0, 12]);
  });
});

/** Lines whose water parts when they shut, of one pipe and of several. */
const PARTING: Partial<SurgeQuestion>[] = [
  { staticPsi: 60, gpm: 3 },
  {
    staticPsi: 60,
    gpm: 2,
    closeMs: 20,
    law: 'late',
    pipes: [
      { ...COPPER, lengthFt: 25 },
      { ...COPPER, boreIn: 0.18, wallIn: 0.035, lengthFt: 5 },
    ],
  },
  {
    staticPsi: 60,
    gpm: 3,
    closeMs: 15,
    pipes: [
      { ...COPPER, boreIn: 0.785, lengthFt: 20 },
      { ...COPPER, lengthFt: 12 },
      { ...PEX, lengthFt: 4 },
    ],
    branches: [{ after: 0, pipes: [PEX] }],
  },
];

describe('the water’s accounts', () => {
  it('close to 1e-9, with friction, branches, slow closing and gas', () => {
    const questions: Partial<SurgeQuestion>[] = [
      {},
      { closeMs: 25, law: 'late' },
      { closeMs: 40, law: 'area', pipes: [COPPER, PEX] },
      { cushion: { volumeIn3: 4, prechargePsi: 60 }, closeMs: 20 },
      {
        cushion: { volumeIn3: 2, prechargePsi: 60 },
        cushionFt: 7,
        pipes: [COPPER, PEX],
        branches: [{ after: 0, pipes: [PEX], cushion: { volumeIn3: 1, prechargePsi: 50 } }],
      },
    ];
    for (const q of questions) {
      const r = surge({ ...LINE, ...q, isFrictionless: false });
      assert.ok(!r.cavity, 'the column parted');
      assert.ok(r.massOff < 1e-9, `${JSON.stringify(q)}: ${r.massOff}`);
    }
  });
  it('close to 1e-9 where the column parts and while it stands parted', () => {
    for (const q of PARTING) {
      for (const seconds of [0.021, 0.05, 0.5]) {
        const r = surge({ ...LINE, isFrictionless: false, ...q, seconds });
        assert.ok(r.massOff < 1e-9, `${JSON.stringify(q)}, ${seconds} s: ${r.massOff}`);
      }
      assert.ok(surge({ ...LINE, isFrictionless: false, ...q, seconds: 0.5 }).cavity, `did not part: ${JSON.stringify(q)}`);
    }
  });
  it('several pipes that part: a coarse grid finds the peak of a fine one, by the middle of many runs', () => {
    for (const q of PARTING.slice(1)) {
      const middle = (reaches: number) =>
        Array.from({ length: 21 }, (_, i) => surge({ ...LINE, isFrictionless: false, ...q, closeMs: 15 + i, reaches }).peakPsi).sort(
          (a, b) => a - b,
        )[10]!;
      near(middle(60), middle(240), 0.03, JSON.stringify(q));
    }
  });
  it('the grid halved changes the peak by less than 0.5 %, where the column parts too', () => {
    const questions: Partial<SurgeQuestion>[] = [
      { closeMs: 25, law: 'late' },
      { closeMs: 25, law: 'area', pipes: [COPPER, PEX, { ...COPPER, lengthFt: 7.3 }] },
      { closeMs: 20, law: 'late', cushion: { volumeIn3: 1, prechargePsi: 60 } },
      { closeMs: 20, staticPsi: 60, gpm: 3, law: 'late' },
      { staticPsi: 60, gpm: 3 },
    ];
    for (const q of questions) {
      const at = (reaches: number) => surge({ ...LINE, isFrictionless: false, ...q, reaches }).peakPsi;
      near(at(120), at(240), 5e-3, JSON.stringify(q));
    }
  });
});

describe('gas at the valve', () => {
  /** The whole column as one stiff body against the gas: two equations, by small steps of the fourth order. */
  function rigid(q: SurgeQuestion): number {
    const { density } = waterAt(q.tempF);
    const pipe = q.pipes[0]!;
    const area = (Math.PI / 4) * (pipe.boreIn * 0.0254) ** 2;
    const mass = (density * pipe.lengthFt * 0.3048) / area;
    const atm = 101_325;
    const supply = q.staticPsi * PSI;
    const law = (q.cushion!.prechargePsi * PSI + atm) * (q.cushion!.volumeIn3 * 0.0254 ** 3) ** 1.2;
    const f = ([flow, volume]: number[]) => [(supply - (law / volume! ** 1.2 - atm)) / mass, -flow!];
    let y = [q.gpm * 6.30902e-5, (law / (supply + atm)) ** (1 / 1.2)];
    let peak = 0;
    const h = 2e-6;
    for (let t = 0; t < 0.2 && y[0]! > 0; t += h) {
      const add = (k: number[], s: number) => y.map((v, i) => v + s * k[i]!);
      const k1 = f(y);
      const k2 = f(add(k1, h / 2));
      const k3 = f(add(k2, h / 2));
      const k4 = f(add(k3, h));
      y = y.map((v, i) => v + (h / 6) * (k1[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!));
      peak = Math.max(peak, law / y[1]! ** 1.2 - atm);
    }
    return peak / PSI;
  }
  it('is compressed as a stiff column compresses it, within 2 %', () => {
    for (const volumeIn3 of [4, 8, 20]) {
      for (const gpm of [1, 2]) {
        const q = { ...LINE, staticPsi: 65, gpm, cushion: { volumeIn3, prechargePsi: 60 } };
        near(surge(q).peakPsi, rigid(q), 0.02, `${volumeIn3} in3, ${gpm} gpm`);
      }
    }
  });
  it('helps the less the farther from the valve it stands', () => {
    const at = (cushionFt: number) => surge({ ...LINE, staticPsi: 65, closeMs: 15, cushion: { volumeIn3: 3, prechargePsi: 60 }, cushionFt }).peakPsi;
    const peaks = [0, 3, 6, 15, 25].map(at);
    for (let i = 1; i < peaks.length; i++) assert.ok(peaks[i]! > peaks[i - 1]!, `${peaks}`);
  });
});

describe('an arrestor whose piston comes to its stop', () => {
  const at = (cushion: SurgeQuestion['cushion'], more: Partial<SurgeQuestion> = {}) =>
    surge({ ...LINE, staticPsi: 65, gpm: 2, closeMs: 15, ...more, ...(cushion ? { cushion } : {}) });
  const piston = (volumeIn3: number, prechargePsi: number) => ({ volumeIn3, prechargePsi, hasStop: true });
  it('is gas alone while the pressure stays over its precharge', () => {
    const seconds = 0.06;
    near(at(piston(3, 20), { seconds }).peakPsi, at({ volumeIn3: 3, prechargePsi: 20 }, { seconds }).peakPsi, 1e-12, 'the same');
  });
  it('does nothing until the pressure lifts it off, and then takes the wave up as stiff as its precharge', () => {
    // More pressure in it than the wave comes to: it is not there.
    const bare = at(undefined, { seconds: 0.03 });
    assert.equal(at(piston(3, 900), { seconds: 0.03 }).peakPsi, bare.peakPsi);
    const peaks = [70, 120, 200].map((prechargePsi) => at(piston(3, prechargePsi), { seconds: 0.03 }).peakPsi);
    assert.ok(
      peaks.every((p, i) => p > [70, 120, 200][i]! && p < bare.peakPsi),
      `${peaks}, ${bare.peakPsi} bare`,
    );
    assert.ok(peaks[0]! < peaks[1]! && peaks[1]! < peaks[2]!, String(peaks));
  });
  it('loses no water where it lands, rests while the water parts beside it, and is lifted again', () => {
    for (const prechargePsi of [30, 60, 90]) {
      for (const cushionFt of [0, 6]) {
        for (const seconds of [0.1, 0.11, 0.4]) {
          const r = at(piston(2, prechargePsi), { cushionFt, seconds, isFrictionless: false });
          assert.ok(r.massOff < 1e-9, `${prechargePsi} psi, ${cushionFt} ft, ${seconds} s: ${r.massOff}`);
          assert.ok(
            Math.min(...r.psi) > waterAt(LINE.tempF).vapourPa / PSI - 14.7,
            `${prechargePsi} psi, ${cushionFt} ft: ${Math.min(...r.psi)} psi`,
          );
        }
      }
    }
  });
});

describe('water that parts', () => {
  it('does not stand below its vapour’s pressure, and says so', () => {
    const r = surge({ ...LINE, staticPsi: 60, gpm: 3 });
    assert.ok(r.cavity, 'did not part');
    const vapour = waterAt(68).vapourPa / PSI - 14.696;
    assert.ok(Math.min(...r.psi) > vapour - 0.01, `${Math.min(...r.psi)} under ${vapour}`);
    assert.ok(
      r.along.every((a) => a.lowPsi > vapour - 0.01),
      'below it somewhere along the line',
    );
    assert.ok(surge({ ...LINE, gpm: 3 }).cavity === false, 'at 400 psi nothing parts');
  });
  it('counts how often the limit is passed', () => {
    assert.equal(surge({ ...LINE, staticPsi: 60, gpm: 0.2 }).timesOver, 0);
    const r = surge({ ...LINE, staticPsi: 100, gpm: 0.8, seconds: 5 * 0.0277 });
    assert.equal(r.timesOver, r.t.filter((_, i) => i > 0 && r.psi[i - 1]! <= 150 && r.psi[i]! > 150).length);
    assert.ok(r.timesOver >= 4, String(r.timesOver));
    // Where gaps close the pressure trembles: a wave of it is one all the same.
    const parted = surge({ ...LINE, ...PARTING[0], isFrictionless: false, seconds: 0.4 });
    const crossings = parted.t.filter((_, i) => i > 0 && parted.psi[i - 1]! <= 150 && parted.psi[i]! > 150).length;
    assert.ok(crossings > 30, `it trembles: ${crossings}`);
    assert.ok(parted.timesOver >= 8 && parted.timesOver <= 0.4 / (2 * parted.roundTripS), `${parted.timesOver} waves`);
  });
});

describe('silly questions', () => {
  it('are refused with the field and what to do', () => {
    const bad: [Partial<SurgeQuestion>, RegExp][] = [
      [{ pipes: [] }, /pipes/],
      [{ pipes: [{ ...COPPER, boreIn: 0 }] }, /boreIn/],
      [{ pipes: [{ ...COPPER, lengthFt: -3 }] }, /lengthFt/],
      [{ pipes: [{ ...COPPER, wallIn: 0 }] }, /wallIn/],
      [{ tempF: 300 }, /tempF/],
      [{ reaches: 1e6 }, /reaches/],
      [{ seconds: 1e9 }, /seconds/],
      [{ seconds: 500, reaches: 5000 }, /reach-steps/],
      [{ closeMs: -1 }, /closeMs/],
      [{ gpm: 0 }, /gpm/],
      [{ gpm: 60, staticPsi: 20, isFrictionless: false }, /friction takes all/],
      [{ cushion: { volumeIn3: 0, prechargePsi: 60 } }, /volumeIn3/],
      [{ cushion: { volumeIn3: 1, prechargePsi: 60 }, cushionFt: 31 }, /cushionFt/],
      [{ branches: [{ after: 3, pipes: [COPPER] }] }, /after/],
      [{ law: 'sudden' as never }, /law/],
    ];
    for (const [q, said] of bad)
      assert.throws(
        () => surge({ ...LINE, ...q }),
        (e: Error) => e instanceof InputError && said.test(e.message),
        String(said),
      );
  });
  it('a line of an inch and a mile is still answered', () => {
    assert.ok(surge({ ...LINE, pipes: [{ ...COPPER, lengthFt: 1 / 12 }], seconds: 0.01 }).peakPsi > 400);
    assert.ok(surge({ ...LINE, pipes: [{ ...COPPER, lengthFt: 5280 }], seconds: 5 }).peakPsi > 400);
  });
});
