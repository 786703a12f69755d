import { endLabel, silhouette, tubeEnds } from '../ends/index.ts';
import { writeFraction } from '../units/index.ts';

type At = [x: number, y: number];

/** Something printed at 1:1; inches from the top left corner of the sheet, y downward. */
export type Mark =
  | { kind: 'line'; from: At; to: At }
  | { kind: 'circle'; centre: At; radius: number }
  | { kind: 'polygon'; points: At[]; filled: boolean }
  | { kind: 'text'; at: At; sizeIn: number; text: string; anchor: 'start' | 'middle' };

/** Letter paper, inches. */
export const CARD_SHEET = { widthIn: 8.5, heightIn: 11 };

const LEFT = 0.75;
const MM = 1 / 25.4;

/** Pitches worth telling apart by a comb laid on the thread, threads per inch. */
const COMBS = [11.5, 14, 16, 18, 19, 20, 24, 25.4, 27, 28];

/** Threads met most in this work, as their male silhouettes. */
const PROFILES = [
  'comp-1/4-m',
  'comp-3/8-m',
  'comp-5/8-m',
  'm-10x1-m',
  'npsm-1/2-m',
  'npt-1/2-m',
  'npt-3/4-m',
  'bc-7/8-m',
  'ght-3/4-m',
  'aer-55/64-m',
  'aer-15/16-m',
];

/**
 * The gauge card: check rulers, hole gauges for tube, half-inch pitch combs and thread silhouettes, to hold a fitting against.
 *
 * @returns marks at 1:1; a printer must not scale the sheet, and the rulers show whether it did
 */
export function gaugeCard(): Mark[] {
  return [
    { kind: 'text', at: [LEFT, 0.65], sizeIn: 0.2, text: 'Brass Nut gauge card', anchor: 'start' },
    {
      kind: 'text',
      at: [LEFT, 0.85],
      sizeIn: 0.11,
      text: 'Print at 100 %, not fitted to the page. Check both rulers against one you trust before use.',
      anchor: 'start',
    },
    ...inchRuler(1.15),
    ...millimetreRuler(1.75),
    ...holes(2.75),
    ...combs(4.4),
    ...profiles(6.4),
  ];
}

const line = (from: At, to: At): Mark => ({ kind: 'line', from, to });
const words = (x: number, y: number, text: string, anchor: 'start' | 'middle' = 'middle', sizeIn = 0.11): Mark => ({
  kind: 'text',
  at: [x, y],
  sizeIn,
  text,
  anchor,
});

/** Six inches, by sixteenths. */
function inchRuler(y: number): Mark[] {
  const out: Mark[] = [line([LEFT, y], [LEFT + 6, y])];
  for (let n = 0; n <= 96; n++) {
    const length = n % 16 === 0 ? 0.22 : n % 8 === 0 ? 0.16 : n % 4 === 0 ? 0.12 : n % 2 === 0 ? 0.09 : 0.06;
    out.push(line([LEFT + n / 16, y], [LEFT + n / 16, y + length]));
    if (n % 16 === 0) out.push(words(LEFT + n / 16, y + 0.36, n === 0 ? '0 in' : String(n / 16)));
  }
  return out;
}

/** 150 millimetres. */
function millimetreRuler(y: number): Mark[] {
  const out: Mark[] = [line([LEFT, y], [LEFT + 150 * MM, y])];
  for (let n = 0; n <= 150; n++) {
    out.push(line([LEFT + n * MM, y], [LEFT + n * MM, y + (n % 10 === 0 ? 0.2 : n % 5 === 0 ? 0.14 : 0.08)]));
    if (n % 10 === 0) out.push(words(LEFT + n * MM, y + 0.34, n === 0 ? '0 mm' : String(n)));
  }
  return out;
}

/** A tube stood on its ring covers it to the line; every outside diameter there is, with its nominal name. */
function holes(y: number): Mark[] {
  const sizes = [...new Map(tubeEnds.filter((t) => t.id.endsWith('od')).map((t) => [t.odIn, t])).values()].sort((a, b) => a.odIn - b.odIn);
  let x = LEFT + 0.25;
  const out: Mark[] = [words(LEFT, y - 0.22, 'Tube, by outside diameter: stand the cut end on its ring', 'start')];
  for (const tube of sizes) {
    const nominal = tubeEnds.find((t) => t.odIn === tube.odIn && t.nominalIn)?.nominalIn;
    out.push({ kind: 'circle', centre: [x, y + 0.45], radius: tube.odIn / 2 });
    out.push(words(x, y + 1.05, `${writeFraction(tube.odIn)} OD`), words(x, y + 1.2, nominal ? `${nominal} nominal` : ''));
    x += 1.15;
  }
  return out.filter((m) => m.kind !== 'text' || m.text !== '');
}

/** Half an inch of teeth: laid on a thread, the right one meshes without a glint of light. */
function combs(y: number): Mark[] {
  const out: Mark[] = [words(LEFT, y - 0.05, 'Pitch, half an inch of each: cut out and lay on the thread', 'start')];
  COMBS.forEach((tpi, i) => {
    const x = LEFT + (i % 5) * 1.35;
    const top = y + 0.2 + Math.floor(i / 5) * 0.95;
    const pitch = 1 / tpi;
    const points: At[] = [];
    for (let n = 0; n * pitch < 0.5 + pitch / 4; n++) points.push([x + n * pitch, top], [x + (n + 0.5) * pitch, top + 0.866 * pitch]);
    const end = points.at(-1)![0];
    out.push({ kind: 'polygon', points: [...points, [end, top - 0.15], [x, top - 0.15]], filled: true });
    out.push(words(x, top + 0.32, tpi === 25.4 ? '25.4 (1 mm)' : writeFraction(tpi, 2), 'start'));
  });
  return out;
}

/** Male ends in full section outline. */
function profiles(y: number): Mark[] {
  const out: Mark[] = [words(LEFT, y - 0.05, 'Male threads at life size: hold the fitting against its outline', 'start')];
  PROFILES.forEach((code, i) => {
    const { points } = silhouette(code);
    const x = LEFT + 0.75 + (i % 4) * 1.8;
    const middle = y + 0.75 + Math.floor(i / 4) * 1.42;
    const outline = points.slice(0, points.length).map(([px, py]): At => [x + px, middle - py]);
    const mirrored = points.map(([px, py]): At => [x + px, middle + py]);
    out.push({ kind: 'polygon', points: outline, filled: false }, { kind: 'polygon', points: mirrored, filled: false });
    out.push(words(x - 0.3, middle + 0.68, endLabel(code).replace(/, male.*/, ''), 'middle', 0.1));
  });
  return out;
}
