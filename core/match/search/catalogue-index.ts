import { type EndCode, parseEnd } from '../../ends/index.ts';
import { InputError } from '../../errors.ts';
import type { Part, PartEnd } from '../part.ts';
import { baseDollars, FIGURE, type Figures, figuresOf, IS, STRIDE } from './figures.ts';
import { codeCount, pairTable } from './pair-table.ts';

/** What is worked out once for a catalogue. Opaque to callers, plain data. */
export interface PartIndex {
  kind: 'part-index';
  parts: Part[];
  /** Places of the parts by their ids in order. */
  byId: Int32Array;
  figures: Figures;
  ways: Ways;
}

/** Every way water can go through a part: in by one end, out by another; the ends left over must be joined, capped or valved. */
export interface Ways {
  count: number;
  part: Int32Array;
  inEnd: Uint8Array;
  outEnd: Uint8Array;
  inCode: Uint16Array;
  outCode: Uint16Array;
  /** It has ends left over. */
  spare: Uint8Array;
  /** Ways stand in the order of the codes they are entered by, cheap ones first: `startIn[code] .. startIn[code + 1]`. */
  startIn: Int32Array;
  /** By the codes they leave by, cheap ones first: `byOut[startOut[code] .. startOut[code + 1]]`. */
  startOut: Int32Array;
  byOut: Int32Array;
  /** What a search reads of ways and their parts once more in both orders, so that it reads memory from front to back. */
  row: Float64Array;
  outRow: Float64Array;
  outPart: Int32Array;
  outInCode: Uint16Array;
  outSpare: Uint8Array;
}

const remembered = new WeakMap<Part[], PartIndex>();

/**
 * Works out every way water can go through every part.
 *
 * Water enters by an 'in' or 'either' end and leaves by an 'out', 'either' or 'branch' end. An array seen before is not indexed again.
 *
 * @throws InputError for two parts of one id, a part with fewer than two ends, two ends of one id, or an unknown end code
 */
export function indexParts(parts: Part[]): PartIndex {
  const known = remembered.get(parts);
  if (known) return known;
  pairTable();
  const figures = figuresOf(parts);
  const ids = new Set<string>();
  parts.forEach((part, at) => {
    if (ids.has(part.id)) throw new InputError('part id', part.id, 'Two parts share it: give one of them another id.');
    ids.add(part.id);
    checkEnds(part, figures, at);
  });
  const byId = Int32Array.from(parts.keys()).sort((a, b) => (parts[a]!.id < parts[b]!.id ? -1 : 1));
  const index: PartIndex = { kind: 'part-index', parts, byId, figures, ways: waysOf(figures) };
  remembered.set(parts, index);
  return index;
}

export function asIndex(parts: Part[] | PartIndex): PartIndex {
  return Array.isArray(parts) ? indexParts(parts) : parts;
}

function checkEnds(part: Part, figures: Figures, at: number): void {
  if (part.ends.length < 2) throw new InputError('part', part.id, 'It has fewer than two ends: give it both.');
  for (let i = 0; i < part.ends.length; i++) {
    const end = part.ends[i] as PartEnd;
    if (figures.endCode[figures.startEnd[at]! + i]! < 0) throwUnknown(part.id, end.code);
    for (let k = 0; k < i; k++) {
      if (part.ends[k]!.id === end.id) throw new InputError('part', part.id, 'Two of its ends share an id: name them apart.');
    }
  }
}

function throwUnknown(part: string, code: EndCode): never {
  try {
    parseEnd(code);
  } catch (cause) {
    throw new InputError(`an end of part ${part}`, code, cause instanceof Error ? cause.message : '');
  }
  throw new InputError(`an end of part ${part}`, code, 'It is not an end code.');
}

/** Goes through every way of every part, cheap parts first: the part, and the ends (among all ends) water comes in by and goes out by. */
function eachWay(f: Figures, cheapFirst: Int32Array, say: (part: number, entry: number, exit: number) => void): void {
  for (const part of cheapFirst) {
    const [start, stop] = [f.startEnd[part]!, f.startEnd[part + 1]!];
    for (let entry = start; entry < stop; entry++) {
      if (!f.endEnters[entry]) continue;
      for (let exit = start; exit < stop; exit++) if (exit !== entry && !f.endIn[exit]) say(part, entry, exit);
    }
  }
}

function waysOf(f: Figures): Ways {
  const parts = f.startEnd.length - 1;
  const base = new Float64Array(parts);
  for (let part = 0; part < parts; part++) base[part] = baseDollars(f.row, part * STRIDE);
  const cheapFirst = Int32Array.from(base.keys()).sort((a, b) => base[a]! - base[b]!);
  const [startIn, startOut] = [new Int32Array(codeCount + 1), new Int32Array(codeCount + 1)];
  eachWay(f, cheapFirst, (_, entry, exit) => {
    startIn[f.endCode[entry]! + 1]!++;
    startOut[f.endCode[exit]! + 1]!++;
  });
  for (let i = 0; i < codeCount; i++) {
    startIn[i + 1]! += startIn[i]!;
    startOut[i + 1]! += startOut[i]!;
  }
  const count = startIn[codeCount]!;
  const [part, byOut] = [new Int32Array(count), new Int32Array(count)];
  const [inEnd, outEnd, spare] = [new Uint8Array(count), new Uint8Array(count), new Uint8Array(count)];
  const [inCode, outCode] = [new Uint16Array(count), new Uint16Array(count)];
  const [nextIn, nextOut] = [startIn.slice(), startOut.slice()];
  eachWay(f, cheapFirst, (of, entry, exit) => {
    const way = nextIn[f.endCode[entry]!]!++;
    byOut[nextOut[f.endCode[exit]!]!++] = way;
    part[way] = of;
    inEnd[way] = entry - f.startEnd[of]!;
    outEnd[way] = exit - f.startEnd[of]!;
    inCode[way] = f.endCode[entry]!;
    outCode[way] = f.endCode[exit]!;
    spare[way] = f.startEnd[of + 1]! - f.startEnd[of]! > 2 ? 1 : 0;
  });
  // A part whose valves are on other ends than the one the water leaves by is no stop on this way.
  const isUnvalved = (way: number) => f.endUnvalved[f.startEnd[part[way]!]! + outEnd[way]!] === 1;
  const row = rowsInOrder(f, count, (i) => part[i]!, isUnvalved);
  const outRow = rowsInOrder(
    f,
    count,
    (i) => part[byOut[i]!]!,
    (i) => isUnvalved(byOut[i]!),
  );
  const [outPart, outInCode, outSpare] = [
    byOut.map((way) => part[way]!),
    Uint16Array.from(byOut, (way) => inCode[way]!),
    Uint8Array.from(byOut, (way) => spare[way]!),
  ];
  return { count, part, inEnd, outEnd, inCode, outCode, spare, startIn, startOut, byOut, row, outRow, outPart, outInCode, outSpare };
}

function rowsInOrder(f: Figures, count: number, partAt: (i: number) => number, isUnvalved: (i: number) => boolean): Float64Array {
  const out = new Float64Array(count * STRIDE);
  for (let i = 0; i < count; i++) {
    const [from, to] = [partAt(i) * STRIDE, i * STRIDE];
    for (let k = 0; k < STRIDE; k++) out[to + k] = f.row[from + k]!;
    if (isUnvalved(i)) out[to + FIGURE.is] = out[to + FIGURE.is]! & ~IS.stop;
  }
  return out;
}
