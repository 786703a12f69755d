/** The figures a card can reckon with: measured at the place, read off the sheet, given by the chain. */
import { parseEnd } from '../../ends/index.ts';
import { readLengthIn } from '../../units/index.ts';
import type { RunFacts } from '../run-facts.ts';
import { flatsFor } from '../wrench.ts';
import type { StepMeasure } from './rows.ts';

export interface KnownFigure {
  name: string;
  /** null: nobody measured or read it yet. */
  inches: number | null;
  /** Where it is a zone: from and to. */
  zone?: [number, number];
  /** 'measured', 'its sheet', 'of the chain', 'usual' */
  from: string;
}
export type KnownFigures = ReadonlyMap<string, KnownFigure>;

/** All figures by their id; what was measured stands before what the sheet says, that before what is usual. */
export function knownFigures(run: RunFacts, measures: readonly StepMeasure[]): KnownFigures {
  const known = new Map<string, KnownFigure>(ofChain(run));
  for (const [id, { name, text }] of Object.entries(run.sheet ?? {})) {
    const zone = readZone(text);
    known.set(id, { name, inches: readLengthIn(text), from: 'its sheet', ...(zone ? { zone } : {}) });
  }
  for (const { id, name, usualIn } of measures) {
    const inches = run.measured?.[id]?.inches ?? null;
    if (inches !== null) known.set(id, { name, inches, from: 'measured' });
    else if (!known.has(id) || known.get(id)!.inches === null) known.set(id, { name, inches: usualIn ?? null, from: 'usual' });
  }
  return known;
}

/** Ids of the figures that the chain gives. */
export const CHAIN_FIGURES: readonly string[] = ['nut-across', 'line-length'];

/** What the line is and what goes through a hole with it. */
function ofChain(run: RunFacts): [string, KnownFigure][] {
  const { chain } = run;
  if (!chain) return [];
  const figures: [string, KnownFigure][] = [];
  const ends = chain.joints.flatMap((j) => [j.a, j.b]).map(parseEnd);
  const flats = ends
    .map(flatsFor)
    .filter((f) => f !== null)
    .at(-1);
  if (flats !== undefined)
    figures.push(['nut-across', { name: "line's nut, over its corners", inches: (2 / Math.sqrt(3)) * flats, from: 'of the chain' }]);
  const line = chain.path.find((s) => s.cutLengthIn !== undefined || run.parts.some((p) => p.id === s.part && p.flexible));
  const inches = line?.cutLengthIn ?? run.parts.find((p) => p.id === line?.part)?.lengthIn;
  if (inches !== undefined) figures.push(['line-length', { name: 'the line', inches, from: 'of the chain' }]);
  return figures;
}

/**
 * Reads a zone as sheets give it: '5 to 6 1/4 in from its edge', '5 - 6 1/4', 'up to 1 1/2 in'.
 *
 * @returns from and to, inches; null where it is none
 */
export function readZone(text: string): [number, number] | null {
  const upTo = /^up to (.+)$/i.exec(text.trim());
  if (upTo) {
    const most = readLengthIn(upTo[1]!);
    return most === null ? null : [0, most];
  }
  const found = /^\D*?(\d[^a-z-]*?(?:in|mm|cm|")?)\s*(?:to|-|–)\s*(\d[\d\s./]*)\s*(in|mm|cm|")?/i.exec(text);
  if (!found) return null;
  const unit = found[3] ?? '';
  const [from, to] = [found[1]!.trim(), found[2]!.trim()];
  const low = readLengthIn(/[a-z"]$/i.test(from) ? from : `${from} ${unit}`.trim());
  const high = readLengthIn(`${to} ${unit}`.trim());
  return low === null || high === null || high <= low ? null : [low, high];
}
