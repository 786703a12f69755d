import assert from 'node:assert/strict';
import { it } from 'node:test';
import { bored, lossPa } from '../flow/piece.ts';
import { waterAt } from '../flow/water.ts';
import { ATM_PA, PA_PER_PSI } from '../units/si.ts';
import { surge } from './surge.ts';
import { GAS_POWER, gasAt } from './waves/cushion.ts';

const [REACHES, GPM, FT, SUPPLY_PSI] = [60, 2.4, 120, 500];
const PIPE = { boreIn: 0.43, wallIn: 0.04, lengthFt: FT, modulusGpa: 117, roughnessMm: 0.0015 };

/** The same by the textbook's two characteristics, friction of every reach anew at every step. */
function byTheBook(waveMS: number, seconds: number): { t: number; psi: number }[] {
  const water = waterAt(68);
  const [reach] = bored([{ boreIn: PIPE.boreIn, lengthIn: (FT * 12) / REACHES, roughnessMm: PIPE.roughnessMm }]);
  const area = (Math.PI / 4) * (PIPE.boreIn * 0.0254) ** 2;
  const b = (water.density * waveMS) / area;
  const flow = GPM * 6.309019640343981e-5;
  const loss = (q: number) => Math.sign(q) * lossPa(reach!, Math.abs(q), water);
  const dtS = (FT * 0.3048) / REACHES / waveMS;
  let p = Array.from({ length: REACHES + 1 }, (_, i) => SUPPLY_PSI * PA_PER_PSI - i * loss(flow));
  let q = p.map(() => flow);
  const out: { t: number; psi: number }[] = [];
  for (let t = dtS; t < seconds; t += dtS) {
    const plus = (i: number) => p[i - 1]! + b * q[i - 1]! - loss(q[i - 1]!);
    const minus = (i: number) => p[i + 1]! - b * q[i + 1]! + loss(q[i + 1]!);
    const next = p.map((_, i) => {
      if (i === 0) return { p: p[0]!, q: (p[0]! - minus(0)) / b };
      if (i === REACHES) return { p: plus(i), q: 0 };
      return { p: (plus(i) + minus(i)) / 2, q: (plus(i) - minus(i)) / (2 * b) };
    });
    [p, q] = [next.map((n) => n.p), next.map((n) => n.q)];
    out.push({ t, psi: p[REACHES]! / PA_PER_PSI });
  }
  return out;
}

it('dies away as the two characteristics have it with friction anew at every step, within 6 in 1000 of the swing', () => {
  const seconds = 1.2;
  const s = surge({ pipes: [PIPE], staticPsi: SUPPLY_PSI, gpm: GPM, closeMs: 0, tempF: 68, seconds, reaches: REACHES });
  const book = byTheBook(s.waveSpeedFtS * 0.3048, seconds);
  const swing = Math.max(...book.map((r) => r.psi)) - Math.min(...book.map((r) => r.psi));
  let worst = 0;
  for (const { t, psi } of book) {
    const i = s.t.findIndex((x) => x >= t - 1e-9);
    // Between the fronts, which come every round trip: there a step earlier or later is all of it.
    const phase = (t % s.roundTripS) / s.roundTripS;
    if (i > 0 && phase > 0.2 && phase < 0.8) worst = Math.max(worst, Math.abs(s.psi[i]! - psi));
  }
  assert.ok(worst < 0.0055 * swing, `${worst} psi of ${swing}`);
});

it('gas is squeezed by the power that gas of neither extreme has, between 1 and 1.4: 1.2', () => {
  assert.equal(GAS_POWER, 1.2);
  const gas = gasAt({ volumeIn3: 3, prechargePsi: 60 }, 120 * PA_PER_PSI);
  const ratio = (60 * PA_PER_PSI + ATM_PA) / (120 * PA_PER_PSI + ATM_PA);
  assert.ok(Math.abs(gas.volumeM3 / (3 * 0.0254 ** 3) / ratio ** (1 / 1.2) - 1) < 1e-12, String(gas.volumeM3));
});
