import { type EndCode, isEndCode, parseEnd } from '../ends/code.ts';
import { InputError } from '../errors.ts';
import type { Part } from './part.ts';

/** One way through a part: in by one end, out by another; the ends left over must be joined, capped or valved. */
export interface Traversal {
  part: number;
  inEnd: number;
  outEnd: number;
  spare: number[];
}

/** What is worked out once for a catalogue. Opaque to callers, plain data. */
export interface PartIndex {
  kind: 'part-index';
  parts: Part[];
  traversals: Traversal[];
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
  const ids = new Set<string>();
  const traversals: Traversal[] = [];
  parts.forEach((part, at) => {
    if (ids.has(part.id)) throw new InputError('part id', part.id, 'Two parts share it: give one of them another id.');
    ids.add(part.id);
    checkEnds(part);
    traversals.push(...waysThrough(part, at));
  });
  const index: PartIndex = { kind: 'part-index', parts, traversals };
  remembered.set(parts, index);
  return index;
}

export function asIndex(parts: Part[] | PartIndex): PartIndex {
  return Array.isArray(parts) ? indexParts(parts) : parts;
}

function checkEnds(part: Part): void {
  if (part.ends.length < 2) throw new InputError('part', part.id, 'It has fewer than two ends: give it both.');
  const ids = new Set(part.ends.map((e) => e.id));
  if (ids.size < part.ends.length) throw new InputError('part', part.id, 'Two of its ends share an id: name them apart.');
  for (const end of part.ends) if (!isEndCode(end.code)) throwUnknown(part.id, end.code);
}

function throwUnknown(part: string, code: EndCode): never {
  try {
    parseEnd(code);
  } catch (cause) {
    throw new InputError(`an end of part ${part}`, code, cause instanceof Error ? cause.message : '');
  }
  throw new InputError(`an end of part ${part}`, code, 'It is not an end code.');
}

function waysThrough(part: Part, at: number): Traversal[] {
  const out: Traversal[] = [];
  part.ends.forEach((entry, i) => {
    if (entry.port !== 'in' && entry.port !== 'either') return;
    part.ends.forEach((exit, o) => {
      if (o === i || exit.port === 'in') return;
      out.push({ part: at, inEnd: i, outEnd: o, spare: part.ends.map((_, n) => n).filter((n) => n !== i && n !== o) });
    });
  });
  return out;
}
