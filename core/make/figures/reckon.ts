/** Figures that a step works out, and whether they keep to what is asked. */
import { InputError } from '../../errors.ts';
import { holeFor, riserMarks } from '../../reach/index.ts';
import { type Reason, reason } from '../../reason.ts';
import { length, quantityWords } from '../../units/index.ts';
import type { KnownFigures } from './known-figures.ts';
import type { HoleReckoning, Reckoning, RiserReckoning, Sum, SumReckoning } from './rows.ts';

/** What a step worked out. */
export interface Reckoned {
  id: string;
  title: string;
  /** What it comes to, in words; '' while something is missing. */
  text: string;
  /** It does not keep to what is asked. */
  isOff: boolean;
  /** It asks for something to be done. */
  isAdvice: boolean;
  /** Names of what nobody measured or read yet. */
  wants: string[];
  because: Reason[];
}

/** Differences under this are the tape's, in. */
const TAPE_IN = 1 / 64;

const inches = (value: number): string => quantityWords(length(value), 'inch');

/** What a reckoning comes to; what it wants where it cannot be done yet. */
export function reckon(row: Reckoning, known: KnownFigures): Reckoned {
  const asked = figuresOf(row);
  const wants = asked.filter((id) => !isKnown(row, id, known)).map((id) => known.get(id)?.name ?? id);
  const blank = { id: row.id, title: row.title, text: '', isOff: false, isAdvice: false, wants, because: [] };
  if (wants.length > 0) return blank;
  const { text, isOff: isOut } = HOW[row.how](row as never, known);
  const advises = row.how === 'sum' && row.advises === true;
  const from = asked.map((id) => `${known.get(id)!.name} ${figureWords(id, known)} (${known.get(id)!.from})`);
  return {
    ...blank,
    text,
    isOff: isOut && !advises,
    isAdvice: isOut && advises,
    because: [reason(row.id, `${row.title}: ${from.join(', ')}.`, { source: row.source })],
  };
}

const HOW: { [K in Reckoning['how']]: (row: Extract<Reckoning, { how: K }>, known: KnownFigures) => { text: string; isOff: boolean } } = {
  sum: (row, known) => sumWords(row, known),
  hole: (row, known) => orMisfit(() => holeWords(row, known)),
  riser: (row, known) => orMisfit(() => riserWords(row, known)),
};

/** Ids of all figures that a reckoning is made of. */
export function figuresOf(row: Reckoning): string[] {
  if (row.how === 'hole') return row.passes;
  if (row.how === 'riser') return [row.rise, row.offset];
  const bounds = [row.atLeast, row.atMost].flatMap((b) => b?.of ?? []).map((t) => t.figure);
  return [...new Set([...row.of.map((t) => t.figure), ...(row.within ? [row.within] : []), ...bounds])];
}

function isKnown(row: Reckoning, id: string, known: KnownFigures): boolean {
  const figure = known.get(id);
  return row.how === 'sum' && row.within === id ? figure?.zone !== undefined : typeof figure?.inches === 'number';
}

function figureWords(id: string, known: KnownFigures): string {
  const { inches: value, zone } = known.get(id)!;
  return value === null && zone ? `${inches(zone[0])} to ${inches(zone[1])}` : inches(value ?? 0);
}

const inchesOf = (id: string, known: KnownFigures): number => known.get(id)?.inches ?? 0;

const sumOf = ({ of, plus = 0 }: Sum, known: KnownFigures): number =>
  of.reduce((sum, { figure, times = 1 }) => sum + times * inchesOf(figure, known), plus);

function sumWords(row: SumReckoning, known: KnownFigures): { text: string; isOff: boolean } {
  const value = sumOf(row, known);
  const zone = row.within === undefined ? undefined : known.get(row.within)?.zone;
  const least = zone?.[0] ?? (row.atLeast && sumOf(row.atLeast, known));
  const most = zone?.[1] ?? (row.atMost && sumOf(row.atMost, known));
  const say = (words: string, by: number) => words.replaceAll('{value}', inches(Math.abs(value))).replaceAll('{by}', inches(by));
  if (least !== undefined && value < least - TAPE_IN) return { text: say(row.low ?? '{value}: {by} too little', least - value), isOff: true };
  if (most !== undefined && value > most + TAPE_IN) return { text: say(row.high ?? '{value}: {by} too much', value - most), isOff: true };
  return { text: say(row.right ?? '{value}', 0), isOff: false };
}

function holeWords({ passes, sizes }: HoleReckoning, known: KnownFigures): string {
  const { diameterIn, tool, probeIn } = holeFor(
    passes.map((id) => ({ name: known.get(id)!.name, acrossIn: inchesOf(id, known) })),
    sizes,
  );
  return `${inches(diameterIn)}, ${tool}; a probe of ${inches(probeIn)} first`;
}

function riserWords(row: RiserReckoning, known: KnownFigures): string {
  const { rise, offset, ...figures } = row;
  const marks = riserMarks({
    riseIn: inchesOf(rise, known),
    offsetIn: inchesOf(offset, known),
    insertBelowIn: figures.insertBelowIn,
    insertAboveIn: figures.insertAboveIn,
    straightBelowIn: figures.straightBelowIn,
    straightAboveIn: figures.straightAboveIn,
    bendRadiusIn: figures.bendRadiusIn,
  });
  if (!marks) throw new InputError('riser', '', 'No two bends lie in that rise: a flexible line is wanted.');
  const { firstBend, secondBend, cutIn, bendDeg } = marks;
  if (!firstBend || !secondBend) return `straight, cut at ${inches(cutIn)} from its lower end`;
  const bend = (b: { fromIn: number; toIn: number }) => `${inches(b.fromIn)} to ${inches(b.toIn)}`;
  const degrees = String(Number(bendDeg.toFixed(1)));
  return `from its lower end: bend ${degrees} degrees at ${bend(firstBend)}, back at ${bend(secondBend)}, cut at ${inches(cutIn)}`;
}

/** What cannot be built is said in the words of its fault. */
function orMisfit(words: () => string): { text: string; isOff: boolean } {
  try {
    return { text: words(), isOff: false };
  } catch (e) {
    if (e instanceof InputError) return { text: e.remedy, isOff: true };
    throw e;
  }
}
