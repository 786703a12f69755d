import { type EndCode, parseEnd } from '../ends/code.ts';
import { InputError } from '../errors.ts';
import { baseDollars, type Figures, figuresOf, STRIDE } from './figures.ts';
import { codeCount, codeNumber, pairTable } from './pair-table.ts';
import type { Part } from './part.ts';

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
  /** The parts' figures once more in both orders, so that a search reads memory from front to back. */
  row: Float64Array;
  outRow: Float64Array;
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
  const ids = new Set<string>();
  const rows: number[] = [];
  parts.forEach((part, at) => {
    if (ids.has(part.id)) throw new InputError('part id', part.id, 'Two parts share it: give one of them another id.');
    ids.add(part.id);
    checkEnds(part);
    addWays(rows, part, at);
  });
  const byId = Int32Array.from(parts.keys()).sort((a, b) => (parts[a]!.id < parts[b]!.id ? -1 : 1));
  const figures = figuresOf(parts);
  const index: PartIndex = { kind: 'part-index', parts, byId, figures, ways: waysOf(rows, figures) };
  remembered.set(parts, index);
  return index;
}

export function asIndex(parts: Part[] | PartIndex): PartIndex {
  return Array.isArray(parts) ? indexParts(parts) : parts;
}

function checkEnds(part: Part): void {
  if (part.ends.length < 2) throw new InputError('part', part.id, 'It has fewer than two ends: give it both.');
  for (const [i, end] of part.ends.entries()) {
    if (codeNumber(end.code) < 0) throwUnknown(part.id, end.code);
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

const FIELDS = 6;

function addWays(rows: number[], part: Part, at: number): void {
  const spare = part.ends.length > 2 ? 1 : 0;
  part.ends.forEach((entry, i) => {
    if (entry.port !== 'in' && entry.port !== 'either') return;
    part.ends.forEach((exit, o) => {
      if (o === i || exit.port === 'in') return;
      rows.push(at, i, o, codeNumber(entry.code), codeNumber(exit.code), spare);
    });
  });
}

function waysOf(rows: number[], figures: Figures): Ways {
  const count = rows.length / FIELDS;
  const field = (n: number) => (way: number) => rows[way * FIELDS + n] as number;
  const all = Int32Array.from({ length: count }, (_, i) => i);
  const base = Float64Array.from(all, (way) => baseDollars(figures.row, field(0)(way) * STRIDE));
  const cheapFirst = all.sort((a, b) => base[a]! - base[b]!);
  const ins = grouped(cheapFirst, field(3));
  const column = (n: number) => ins.order.map(field(n));
  const outCode = Uint16Array.from(column(4));
  const sorted = Int32Array.from({ length: count }, (_, i) => i);
  sorted.sort((a, b) => base[ins.order[a]!]! - base[ins.order[b]!]!);
  const outs = grouped(sorted, (way) => outCode[way]!);
  const part = column(0);
  return {
    count,
    part,
    inEnd: Uint8Array.from(column(1)),
    outEnd: Uint8Array.from(column(2)),
    inCode: Uint16Array.from(column(3)),
    outCode,
    spare: Uint8Array.from(column(5)),
    startIn: ins.start,
    startOut: outs.start,
    byOut: outs.order,
    row: rowsInOrder(figures, part),
    outRow: rowsInOrder(
      figures,
      outs.order.map((way) => part[way]!),
    ),
  };
}

function rowsInOrder(figures: Figures, parts: Int32Array): Float64Array {
  const out = new Float64Array(parts.length * STRIDE);
  for (const [i, part] of parts.entries()) out.set(figures.row.subarray(part * STRIDE, part * STRIDE + STRIDE), i * STRIDE);
  return out;
}

/** Ways sorted by a code, else in the order given, with where each code begins. */
function grouped(ways: Int32Array, codeOf: (way: number) => number): { start: Int32Array; order: Int32Array } {
  const start = new Int32Array(codeCount + 1);
  for (const way of ways) start[codeOf(way) + 1]!++;
  for (let i = 0; i < codeCount; i++) start[i + 1]! += start[i]!;
  const next = start.slice();
  const order = new Int32Array(ways.length);
  for (const way of ways) order[next[codeOf(way)]!++] = way;
  return { start, order };
}
