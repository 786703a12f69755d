/** A part described by its own ends: '3/8 comp x 1/2 fip x 20', '1/2 sweat x 3/8 comp angle stop', 'pair of washer hoses 5 ft'. */
import { type EndCode, isEndCode, parseEnd, type Reading, readEnd } from '../ends/index.ts';
import { readLengthIn } from '../units/index.ts';

export interface Described {
  /** What its ends go onto. */
  from: Reading[];
  to: Reading[];
  isStop: boolean;
  /** A line, and not a fitting: hose, connector or tube. */
  isLine: boolean;
  /** What its own ends may be, as said. */
  ends: [Reading[], Reading[]];
  lengthIn: number | null;
  /** What was said of each end. */
  pieces: string[];
}

const STOP = /\b(?:(?:angle|straight|dual|quarter[- ]turn|multi[- ]turn)\s*)*(?:stops?|shut ?-?offs?|valves?)\b|\bquarter[- ]turn\b/gi;
const LINE = /\b(?:braided|stainless|steel|flex(?:ible)?|supply|connectors?|lines?|hoses?|tubes?)\b/gi;
const DRESS =
  /\b(?:do you|have|has|need|got|any|pair|set|of|an?|the|two|three|four|pcs?|ea|new|some|i|we|me|please|for|adapt[eo]rs?|fittings?|unions?|couplings?|couplers?|elbows?|toilet|commode|faucet|sink|basin|lav|kitchen|bathroom|dishwasher|hookup|hot|cold|water|extension)\b|(?<![\d/.])[2-9](?![\d/.]|\s*["'])/gi;
const LENGTH = /(?:\bx\s*)?(?<![\d/])(\d+(?:\.\d+)?(?:[ -]\d+\/\d+)?\s*-?(?:inch(?:es)?|in\b\.?|"|ft\b\.?|feet|foot|'))/gi;
/** 'supply line 3/8 to 7/8': its two ends. */
const SIZE_TO_SIZE = /(\d\/\d+"?)\s+to\s+(?=\d\/\d+"?(?:\s|$))/i;
const BARE_LENGTH = /\s(?:x|by)\s+(\d{1,3})\s*$/i;
const LONGEST_SIZE_IN = 4;

/** Said of what joins two ends without a line. */
const FITTING =
  /\b(?:adapt[eo]rs?|fittings?|unions?|couplings?|couplers?|elbows?|bushings?|push|push[- ](?:fit|in|on)|sweat|solder|crimp|expansion)\b/i;
/** Hoses that have the same nut at both ends, and what it goes on. */
const HOSE = /\b(?:washer|washing machine|laundry) hoses?\b/gi;
const HOSE_STUB: EndCode = 'ght-3/4-m';

/** A size by itself on a connector: the nut that mostly has it. */
const USUAL_NUT: Record<string, string> = { '1/4': '1/4 comp', '3/8': '3/8 comp', '1/2': '1/2 fip', '7/8': '7/8 bc', '3/4': '3/4 ght' };

/**
 * @param saidIn a length that was said of it and is taken out already, in
 * @returns null where no part is described by two ends
 */
export function describedIn(text: string, saidIn?: number): Described | null {
  const isLine = text.search(LINE) >= 0;
  const plain = isLine ? text.replace(SIZE_TO_SIZE, '$1 x ') : text;
  if (!/\s(?:x|by)\s|\bhoses?\b/i.test(plain)) return null;
  const isStop = text.search(STOP) >= 0;
  let lengthIn: number | null = saidIn ?? null;
  const take = (whole: string, said: string): string => {
    const inches = readLengthIn(said.replace(/-/g, ' '));
    if (lengthIn !== null || inches === null || inches <= LONGEST_SIZE_IN) return whole;
    lengthIn = inches;
    return ' ';
  };
  let rest = ` ${plain} `.replace(LENGTH, take);
  rest = rest.trimEnd().replace(BARE_LENGTH, (whole, said: string) => take(whole, `${said} in`));
  if (rest.search(HOSE) >= 0 && (lengthIn !== null || isNothingElse(rest))) {
    const stub = [{ end: HOSE_STUB, why: 'what such hoses go on' }];
    const nut = readEnd(HOSE_STUB.replace(/-m$/, '-f'));
    return { from: stub, to: stub, isStop: false, isLine: true, ends: [nut, nut], lengthIn, pieces: [] };
  }
  const pieces = rest
    .replace(STOP, ' ')
    .replace(LINE, ' ')
    .replace(DRESS, ' ')
    .split(/\s+(?:x|by)\s+/i)
    .map((piece) => piece.replace(/^[\s,x]+|[\s,]+$/gi, '').trim());
  if (pieces.length !== 2 || pieces.some((p) => p === '')) return null;
  const isFitting = !isStop && !isLine && lengthIn === null;
  if (isFitting && !FITTING.test(text)) return null;
  const [a, b] = pieces.map((p) => readEnd(nutOf(p, isStop))) as [Reading[], Reading[]];
  if (a.length === 0 || b.length === 0 || a[0]!.appliance || b[0]!.appliance) return null;
  const onto = (readings: Reading[], as: As) => readings.flatMap((r) => goesOnto(r, as));
  const isMale = /\bm(?:ip|pt|ips|npt|ale)\b/i.test(pieces[0]!);
  const [inlet, outlet]: [As, As] = isStop ? [isMale ? 'male inlet' : 'inlet', 'outlet'] : isFitting ? ['outlet', 'outlet'] : ['nut', 'nut'];
  return { from: onto(a, inlet), to: onto(b, outlet), isStop, isLine: !isStop && !isFitting, ends: [a, b], lengthIn, pieces };
}

/** Hoses, how many, of what: nothing that they would go to. */
const isNothingElse = (rest: string): boolean =>
  rest
    .replace(HOSE, ' ')
    .replace(LINE, ' ')
    .replace(DRESS, ' ')
    .replace(/\b(?:rubber|hot|cold|and|steel)\b/gi, ' ')
    .trim() === '';

/** '3/8c', '3/8': as the nut it is. */
function nutOf(piece: string, isStop: boolean): string {
  const plain = piece.replace(/^([\d/]+)\s*"?\s*c$/i, '$1 comp').replace(/\s+od$/i, ' od comp');
  const size = plain.replace(/["\s]/g, '');
  if (isStop) return size === '3/8' || size === '1/4' ? `${size} comp` : plain;
  return USUAL_NUT[size] ?? plain;
}

type As = 'inlet' | 'male inlet' | 'outlet' | 'nut';

/** What an end of a part goes onto: a nut onto its stub, a cup onto its tube. */
export function goesOnto({ end, why }: Reading, as: As): Reading[] {
  const e = parseEnd(end);
  const is = (code: EndCode): Reading[] => (isEndCode(code) ? [{ end: code, why }] : []);
  if (e.kind === 'tube') return [{ end, why }];
  if (e.kind === 'socket') return is(`${e.family === 'crimp' || e.family === 'expand' ? 'pex' : 'cu'}-${e.size}od`);
  const isPipe = e.family === 'npsm' || e.family === 'npt';
  // The inlet of a stop takes tube with nut and ferrule, or is a rigid taper.
  if (as === 'inlet' && e.family === 'comp') return is(`cu-${e.size}od`);
  if (as === 'inlet' && isPipe) return is(`npt-${e.size}-m`);
  if (as === 'male inlet' && isPipe) return is(`npt-${e.size}-f`);
  // A connector's end is its nut, and what a stop lets out by is male, whatever was said of it.
  if (as === 'nut' && (e.family === 'comp' || e.family === 'bc' || isPipe)) return is(`${isPipe ? 'npsm' : e.family}-${e.size}-m`);
  if (as === 'outlet' && e.family === 'comp') return is(`comp-${e.size}-f`);
  return is(`${e.family}-${e.size}-${e.gender === 'f' ? 'm' : 'f'}`);
}
