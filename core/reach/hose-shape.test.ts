import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { InputError } from '../errors.ts';
import { type HoseQuestion, hoseShape, type LineEnd } from './hose-shape.ts';

const deg = (rad: number) => (rad * 180) / Math.PI;
const distance = (a: readonly number[], b: readonly number[]) => Math.hypot(...a.map((c, i) => c - b[i]!));
const lengthOf = (points: number[][]) => points.slice(1).reduce((sum, p, i) => sum + distance(p, points[i]!), 0);
const ask = (from: Partial<LineEnd>, to: Partial<LineEnd>, lengthIn: number, more: Partial<HoseQuestion> = {}) =>
  hoseShape({
    from: { x: 0, y: 0, headingDeg: 0, ...from },
    to: { x: 0, y: 0, headingDeg: 0, ...to },
    lengthIn,
    endStraightIn: 0,
    minBendRadiusIn: 1,
    ...more,
  });
const near = (a: number, b: number, part: number, what = '') =>
  assert.ok(Math.abs(a - b) <= part * Math.abs(b), `${what} ${a} is not ${b} within ${part}`);

/** Complete elliptic integrals by the arithmetic-geometric mean, any parameter m < 1. */
function elliptic(m: number): { K: number; E: number } {
  let [a, b, part, sum] = [1, Math.sqrt(1 - m), 1, m / 2];
  for (let i = 0; i < 40; i++) {
    const c = (a - b) / 2;
    [a, b] = [(a + b) / 2, Math.sqrt(a * b)];
    sum += part * c * c;
    part *= 2;
  }
  const K = Math.PI / (2 * a);
  return { K, E: K * (1 - sum) };
}

test('ends that a circle joins are joined by it', () => {
  for (const turn of [1, 1.2, Math.PI / 2, 2, Math.PI, 4, 5]) {
    const r = 5;
    const h = ask({}, { x: r * Math.sin(turn), y: r * (1 - Math.cos(turn)), headingDeg: deg(turn) }, r * turn);
    assert.equal(h.verdict, 'fits');
    near(h.minRadiusIn, r, 0.01);
    for (const p of h.points) assert.ok(Math.abs(distance(p, [0, r]) - r) < 0.01);
  }
});

test('a rod clamped straight and pressed together bows as the column of the textbooks', () => {
  // Love, ch. XIX: with modulus k, span/length = 2E/K - 1 and the sharpest bend 8 k K / length.
  for (const k of [0.3, 0.5, 0.7]) {
    const { K, E } = elliptic(k * k);
    const length = 20;
    const h = ask({}, { x: length * ((2 * E) / K - 1) }, length);
    near(h.minRadiusIn, length / (8 * k * K), 0.01, `k ${k}`);
    // It bows by the same figures: twice the half-wave's 2 k / root(force), root(force) = 4 K / length.
    const height = Math.max(...h.points.map((p) => Math.abs(p[1]!)));
    assert.ok(Math.abs(height - (4 * k * length) / (4 * K)) < 0.01, `bow ${height}`);
  }
});

test('a rod that goes all the way round, its ends apart, is the loop of the elliptic integrals', () => {
  // theta'^2 = w^2 (1 - m sin^2(theta / 2)), m < 0: length 4 K / w, span / length = 1 - 2 (K - E) / (m K), sharpest on top.
  for (const m of [-0.5, -1.5]) {
    const { K, E } = elliptic(m);
    const length = 20;
    const w = (4 * K) / length;
    // Half of it, from an end to the top, where it travels the other way: its height is the integral of sin theta.
    const span = (length / 2) * (1 - (2 * (K - E)) / (m * K));
    const height = (2 * (Math.sqrt(1 - m) - 1)) / (-m / 2) / w / 1;
    const h = ask({}, { x: span, y: height, headingDeg: 180 }, length / 2);
    near(h.minRadiusIn, 1 / (w * Math.sqrt(1 - m)), 0.01, `m ${m}`);
    assert.ok(h.tightestAt >= h.points.length - 2);
  }
});

/** The elastica's own equation, theta'' = a sin theta - b cos theta, walked from one end by Runge and Kutta's rule; an independent integrator. */
function walk(first: number, bend: number, a: number, b: number, lengthIn: number, steps: number): number[][] {
  const h = lengthIn / steps;
  let [x, y, theta, k] = [0, 0, first, bend];
  const grows = (t: number) => a * Math.sin(t) - b * Math.cos(t);
  const points = [[x, y, theta]];
  for (let i = 0; i < steps; i++) {
    const k1 = grows(theta);
    const t2 = theta + (h / 2) * k;
    const k2 = grows(t2);
    const t3 = theta + (h / 2) * (k + (h / 2) * k1);
    const k3 = grows(t3);
    const t4 = theta + h * (k + (h / 2) * k2);
    const k4 = grows(t4);
    x += (h / 6) * (Math.cos(theta) + 2 * Math.cos(t2) + 2 * Math.cos(t3) + Math.cos(t4));
    y += (h / 6) * (Math.sin(theta) + 2 * Math.sin(t2) + 2 * Math.sin(t3) + Math.sin(t4));
    theta += h * k + ((h * h) / 6) * (k1 + k2 + k3);
    k += (h / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
    points.push([x, y, theta]);
  }
  return points;
}

/** Bend and force at the first end such that the walk ends where it must, by Newton's method from a guess, no step for the worse. */
function shoot(first: number, target: number[], lengthIn: number, guess: number[]): number[] | null {
  let at = guess;
  const miss = (p: number[]) =>
    walk(first, p[0]!, p[1]!, p[2]!, lengthIn, 512)
      .at(-1)!
      .map((c, i) => c - target[i]!);
  for (let round = 0; round < 60; round++) {
    const m = miss(at);
    if (Math.hypot(...m) < 1e-9) return at;
    const [p, q, r] = at.map((c, i) => {
      const d = 1e-6 * Math.max(1e-3, Math.abs(c));
      return miss(at.map((v, j) => (j === i ? v + d : v))).map((v, j) => (v - m[j]!) / d);
    }) as [number[], number[], number[]];
    const det = (p: number[], q: number[], r: number[]) =>
      p[0]! * (q[1]! * r[2]! - q[2]! * r[1]!) - q[0]! * (p[1]! * r[2]! - p[2]! * r[1]!) + r[0]! * (p[1]! * q[2]! - p[2]! * q[1]!);
    const all = det(p, q, r);
    const step = [det(m, q, r) / all, det(p, m, r) / all, det(p, q, m) / all];
    let part = 1;
    const next = () => at.map((c, i) => c - part * step[i]!);
    while (part > 1e-3 && !(Math.hypot(...miss(next())) < Math.hypot(...m))) part /= 2;
    at = next();
    if (!at.every(Number.isFinite)) return null;
  }
  return null;
}

test('every shape obeys the elastica’s equation: an independent integrator walks the same way', () => {
  let compared = 0;
  fc.assert(
    fc.property(
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.double({ min: -0.7, max: 0.7, noNaN: true }),
      fc.double({ min: -0.7, max: 0.7, noNaN: true }),
      (first, last, px, py) => {
        const lengthIn = 16;
        const to = { x: px * lengthIn, y: py * lengthIn };
        const h = ask({ headingDeg: deg(first) }, { ...to, headingDeg: deg(last) }, lengthIn);
        if (h.verdict === 'too-short' || h.verdict === 'taut' || h.minRadiusIn < 0.8) return;
        // Its angles, and from them a first guess of the bend and the force.
        const n = h.points.length - 1;
        const angles: number[] = [];
        for (let i = 0; i < n; i++) {
          const raw = Math.atan2(h.points[i + 1]![1]! - h.points[i]![1]!, h.points[i + 1]![0]! - h.points[i]![0]!);
          const before = angles.at(-1) ?? first;
          angles.push(raw + 2 * Math.PI * Math.round((before - raw) / (2 * Math.PI)));
        }
        const link = lengthIn / n;
        const sums = [0, 0, 0, 0, 0];
        for (let i = 1; i < n - 1; i++) {
          const second = (angles[i + 1]! - 2 * angles[i]! + angles[i - 1]!) / link ** 2;
          const [s, c] = [Math.sin(angles[i]!), -Math.cos(angles[i]!)];
          for (const [j, v] of [s * s, s * c, c * c, s * second, c * second].entries()) sums[j]! += v;
        }
        const all = sums[0]! * sums[2]! - sums[1]! ** 2;
        const force = [(sums[3]! * sums[2]! - sums[4]! * sums[1]!) / all, (sums[0]! * sums[4]! - sums[1]! * sums[3]!) / all];
        const turned = angles.at(-1)!;
        const arrives = last + 2 * Math.PI * Math.round((turned - last) / (2 * Math.PI));
        const found = shoot(first, [to.x, to.y, arrives], lengthIn, [(angles[0]! - first) / (link / 2), ...force]);
        assert.ok(found, 'the walk did not close');
        const walked = walk(first, found[0]!, found[1]!, found[2]!, lengthIn, 1024);
        for (let i = 0; i <= n; i++) assert.ok(distance(h.points[i]!, walked[(i * 1024) / n]!.slice(0, 2)) < 0.01, `point ${i} of ${n}`);
        compared++;
      },
    ),
    { numRuns: 60, seed: 7, endOnFailure: true },
  );
  assert.ok(compared > 30, `${compared} compared`);
});

test('it keeps its length, begins and ends where it is held, and its verdict follows from its figures', () => {
  const end = fc.record({
    x: fc.double({ min: -20, max: 20, noNaN: true }),
    y: fc.double({ min: -20, max: 20, noNaN: true }),
    headingDeg: fc.double({ min: -360, max: 720, noNaN: true }),
  });
  const inSpace = fc.record({
    x: fc.constant(0),
    y: fc.constant(0),
    headingDeg: fc.double({ min: 0, max: 360, noNaN: true }),
    z: fc.double({ min: -5, max: 5, noNaN: true }),
    climbDeg: fc.double({ min: -90, max: 90, noNaN: true }),
  });
  fc.assert(
    fc.property(
      fc.oneof(end, inSpace),
      end,
      fc.double({ min: 3, max: 90, noNaN: true }),
      fc.double({ min: 0, max: 2, noNaN: true }),
      (from, to, lengthIn, endStraightIn) => {
        const h = hoseShape({ from, to, lengthIn, endStraightIn, minBendRadiusIn: 2 });
        near(lengthOf(h.points), lengthIn, 1e-6, 'length');
        const z = (e: LineEnd) => ('z' in from ? [e.x, e.y, e.z ?? 0] : [e.x, e.y]);
        assert.ok(distance(h.points[0]!, z(from)) < 1e-9);
        if (h.verdict === 'too-short') return assert.ok(h.slackIn < 0 || lengthIn <= 2 * endStraightIn);
        assert.ok(distance(h.points.at(-1)!, z(to)) < 1e-6);
        assert.ok(h.slackIn >= -1e-9 && h.minRadiusIn > 0);
        if (h.verdict === 'fits') assert.ok(h.minRadiusIn >= 1.98);
        if (h.verdict === 'kinks') assert.ok(h.minRadiusIn < 2);
        assert.ok(h.because.length > 0);
      },
    ),
    { numRuns: 150, seed: 3, endOnFailure: true },
  );
});

test('a plane turned any way in space holds the same curve', () => {
  const flat = { from: { x: 0, y: 0, headingDeg: 90 }, to: { x: 7, y: 6, headingDeg: 90 }, lengthIn: 14, endStraightIn: 1.25, minBendRadiusIn: 1.5 };
  const here = hoseShape(flat);
  const unit = (v: number[]) => v.map((c) => c / Math.hypot(...v));
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 3, maxLength: 3 }),
      fc.double({ min: 0, max: 6.28, noNaN: true }),
      (axis, angle) => {
        fc.pre(Math.hypot(...axis) > 0.1);
        const u = unit(axis);
        // Rodrigues.
        const turn = (v: number[]) => {
          const cross = [0, 1, 2].map((a) => u[(a + 1) % 3]! * v[(a + 2) % 3]! - u[(a + 2) % 3]! * v[(a + 1) % 3]!);
          const dot = v.reduce((sum, c, a) => sum + c * u[a]!, 0);
          return v.map((c, a) => c * Math.cos(angle) + cross[a]! * Math.sin(angle) + u[a]! * dot * (1 - Math.cos(angle)));
        };
        const end = (e: { x: number; y: number; headingDeg: number }): LineEnd => {
          const at = turn([e.x, e.y, 0]);
          const way = turn([Math.cos((e.headingDeg * Math.PI) / 180), Math.sin((e.headingDeg * Math.PI) / 180), 0]);
          return {
            x: at[0]!,
            y: at[1]!,
            z: at[2]!,
            headingDeg: deg(Math.atan2(way[1]!, way[0]!)),
            climbDeg: deg(Math.asin(Math.max(-1, Math.min(1, way[2]!)))),
          };
        };
        const there = hoseShape({ ...flat, from: end(flat.from), to: end(flat.to) });
        assert.equal(there.points.length, here.points.length);
        for (const [i, p] of there.points.entries()) assert.ok(distance(p, turn([...here.points[i]!, 0])) < 0.01);
        near(there.minRadiusIn, here.minRadiusIn, 0.001);
      },
    ),
    { numRuns: 100, seed: 5, endOnFailure: true },
  );
});

test('ends of a helix are joined by it: a spatial rod that is free to turn about itself', () => {
  // Radius 3, rise 1.5 a radian, a third of a turn more than a half: curvature r / (r^2 + c^2).
  const [r, c, turn] = [3, 1.5, 3.6];
  const tangent = (t: number) => [-r * Math.sin(t), r * Math.cos(t), c].map((v) => v / Math.hypot(r, c));
  const end = (t: number): LineEnd => {
    const way = tangent(t);
    return { x: r * Math.cos(t), y: r * Math.sin(t), z: c * t, headingDeg: deg(Math.atan2(way[1]!, way[0]!)), climbDeg: deg(Math.asin(way[2]!)) };
  };
  const h = hoseShape({ from: end(0), to: end(turn), lengthIn: turn * Math.hypot(r, c), endStraightIn: 0, minBendRadiusIn: 1 });
  near(h.minRadiusIn, (r * r + c * c) / r, 0.01);
  for (const [x, y, z] of h.points) assert.ok(distance([x!, y!, z!], [r * Math.cos(z! / c), r * Math.sin(z! / c), z!]) < 0.01);
});

test('a line with weight sags, the more the heavier, and one without stiffness hangs as the catenary does', () => {
  const low = (h: { points: number[][] }) => Math.min(...h.points.map((p) => p[1]!));
  const sags = [0, 0.05, 0.15, 0.6].map((lbPerFt) =>
    low(ask({ headingDeg: 30 }, { x: 40, headingDeg: -30 }, 44, { hangs: { lbPerFt, stiffnessLbIn2: 12 } })),
  );
  for (const [i, sag] of sags.slice(1).entries()) assert.ok(sag <= sags[i]! + 1e-6, `${sags}`);
  assert.ok(sags[3]! < sags[0]! - 1, `${sags}`);
  // Half the length over half the span: sinh(20 / a) a = 30.
  const slack = ask({ headingDeg: -60 }, { x: 40, headingDeg: 60 }, 60, { hangs: { lbPerFt: 12, stiffnessLbIn2: 2 } });
  let a = 20;
  for (let i = 0; i < 200; i++) a = 20 / Math.asinh(30 / a);
  assert.ok(Math.abs(low(slack) + (a * Math.cosh(20 / a) - a)) < 0.3, `sag ${low(slack)} against ${a * Math.cosh(20 / a) - a}`);
});

test('too short says by how much, taut is told from what fits, and a sharp one kinks', () => {
  const short = ask({ headingDeg: 90 }, { x: 0, y: 12, headingDeg: 90 }, 9, { endStraightIn: 1.25 });
  assert.equal(short.verdict, 'too-short');
  assert.ok(Math.abs(short.slackIn + 3) < 1e-9);
  assert.match(short.because[0]!.text, /^3 in short/);
  assert.equal(ask({ headingDeg: 90 }, { y: 12, headingDeg: 90 }, 12.05, { endStraightIn: 1.25 }).verdict, 'taut');
  assert.equal(ask({ headingDeg: 90 }, { x: 7.25, y: 6.5, headingDeg: 90 }, 12, { endStraightIn: 1.25, minBendRadiusIn: 1.5 }).verdict, 'fits');
  assert.equal(ask({ headingDeg: 90 }, { x: 1, y: 5, headingDeg: 90 }, 12, { endStraightIn: 1.25, minBendRadiusIn: 3 }).verdict, 'kinks');
});

test('figures that cannot be are refused by name', () => {
  assert.throws(
    () => ask({ x: Number.NaN }, {}, 12),
    (e: InputError) => e.field === 'from.x',
  );
  assert.throws(
    () => ask({}, { x: 5 }, 0),
    (e: InputError) => e.field === 'lengthIn',
  );
  assert.throws(
    () => ask({}, { x: 5 }, 12, { minBendRadiusIn: 0 }),
    (e: InputError) => e.field === 'minBendRadiusIn',
  );
  assert.throws(
    () => ask({}, { x: 5 }, 12, { segments: 7 }),
    (e: InputError) => e.field === 'segments',
  );
  assert.throws(() => ask({}, { x: 5 }, 12, { endStraightIn: -1 }), InputError);
});
