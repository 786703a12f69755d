import {
  AVOIDABLE,
  HOUSE_CHOICES,
  type HouseRules,
  isEndCode,
  isOpenPipe,
  type Need,
  type OwnWords,
  type Part,
  type QuestionRead,
  readLengthIn,
  readPressurePsi,
  readQuestion,
  type Units,
  withMillimetres,
  writeFraction,
} from '../../../core/index.ts';

/** What the match bench asks: it is the page's address, so that a link opens it again. */
export interface Question {
  /** The sentence it was read from; empty where there was none. */
  text: string;
  from: string | null;
  to: string | null;
  rejoin: string | null;
  water: 'cold' | 'hot';
  length: string;
  stop: boolean;
  arrestor: boolean;
  check: boolean;
  stopLeak: boolean;
  /** An outlet left free for another run. */
  outlet: boolean;
  hidden: boolean;
  /** As wide as the least of the appliances with such an inlet asks. */
  wide: boolean;
  /** After a reverse-osmosis unit: its water attacks copper and brass. */
  afterRo: boolean;
  psi: string;
  vanOnly: boolean;
  push: HouseRules['push'];
  applianceLine: HouseRules['applianceLine'];
  toiletLine: HouseRules['toiletLine'];
  /** Said in a sentence alone: F, in, tags to avoid, what the run comes out of. */
  tempF: number | null;
  boreIn: number | null;
  avoid: string[];
  outOf: 'wall' | 'floor' | null;
}

const NO_SIDES = { from: [], to: [], rejoin: [] } satisfies Pick<QuestionRead, 'from' | 'to' | 'rejoin'>;

type Address = Record<string, string | undefined>;

const FLAGS = ['stop', 'arrestor', 'check', 'stopLeak', 'outlet', 'hidden', 'afterRo'] as const;

/** Longest sentence that an address carries. */
export const MOST_LETTERS = 300;

/** A metric length may fall between sixteenths: never shorter than it was said. */
function asTyped(inches: number | undefined, units: Units): string {
  if (inches === undefined) return '';
  return units === 'metric' ? `${Math.ceil(inches * 25.4 - 1e-6)} mm` : writeFraction(Math.ceil(inches * 16 - 1e-6) / 16, 16);
}

/** A sentence as it is read here: in the shop's units, with the shop's own words. */
export const readTyped = (text: string, units: Units, words?: OwnWords, parts?: readonly Part[]): QuestionRead =>
  readQuestion(units === 'metric' ? withMillimetres(text) : text, { ...(words ? { words } : {}), ...(parts ? { parts } : {}) });

/** A sentence as a question: the first reading of each side, shown so that another can be chosen. */
export function questionTyped(text: string, rules: HouseRules, units: Units = 'inch', words?: OwnWords): Question {
  const { kind, need, rules: told, ...sides } = readTyped(text, units, words);
  // Where it leaks nothing is joined.
  const { from, to, rejoin } = kind === 'leaks' ? NO_SIDES : sides;
  const water = need.water ?? 'cold';
  const avoid = need.avoid ?? [];
  const afterRo = avoid.includes('copper') && avoid.includes('brass');
  return {
    text: text.slice(0, MOST_LETTERS),
    from: from[0]?.end ?? null,
    to: to[0]?.end ?? null,
    rejoin: rejoin[0]?.end ?? null,
    water,
    length: asTyped(need.minLengthIn, units),
    stop: need.stop ?? isStopUsual(text, words),
    arrestor: need.arrestor ?? false,
    check: need.check ?? false,
    stopLeak: need.stopLeak ?? false,
    outlet: need.leaveOutlet ?? false,
    hidden: need.reachable === false,
    wide: true,
    afterRo,
    psi: need.pressurePsi === undefined ? '' : String(need.pressurePsi),
    vanOnly: false,
    push: told.push ?? rules.push,
    applianceLine: rules.applianceLine,
    toiletLine: rules.toiletLine,
    tempF: need.tempF ?? null,
    boreIn: need.minBoreIn ?? null,
    avoid: afterRo ? avoid.filter((tag) => tag !== 'copper' && tag !== 'brass') : avoid,
    outOf: need.outOf ?? null,
  };
}

/** The same sentence by other words of the shop: as it is read now, or where it was changed by hand what was still missing. */
export function readAgain(old: Question, rules: HouseRules, units: Units, before: OwnWords, words: OwnWords): Question {
  const now = questionTyped(old.text, rules, units, words);
  const isAsRead = JSON.stringify(questionTyped(old.text, rules, units, before)) === JSON.stringify(old);
  return isAsRead ? now : { ...old, from: old.from ?? now.from, to: old.to ?? now.to, rejoin: old.rejoin ?? now.rejoin };
}

/** From an open pipe to an appliance, and nothing said of a stop: code and practice want one. */
export function isStopUsual(text: string, words?: OwnWords): boolean {
  const { from, to, need } = readTyped(text, 'inch', words);
  return need.stop === undefined && from[0] !== undefined && isOpenPipe(from[0].end) && to[0]?.appliance !== undefined;
}

export function questionOf(address: Address, rules: HouseRules, units: Units = 'inch', words?: OwnWords): Question {
  const typed = questionTyped(address.q ?? '', rules, units, words);
  // A sentence by itself is read; with anything beside it the address says all.
  if (Object.keys(address).every((name) => name === 'q')) return typed;
  const end = (name: string) => (isEndCode(address[name] ?? '') ? (address[name] as string) : null);
  const one = <T extends string>(list: readonly T[], name: string, usual: T) => list.find((x) => x === address[name]) ?? usual;
  const figure = (name: string, most: number) => (Number(address[name]) > 0 && Number(address[name]) <= most ? Number(address[name]) : null);
  return {
    text: typed.text,
    from: end('from'),
    to: end('to'),
    rejoin: end('rejoin'),
    water: one(['cold', 'hot'], 'water', 'cold'),
    length: (address.length ?? '').slice(0, 20),
    ...(Object.fromEntries(FLAGS.map((name) => [name, address[name] === 'yes'])) as Record<(typeof FLAGS)[number], boolean>),
    wide: address.wide !== 'no',
    psi: (address.psi ?? '').slice(0, 10),
    vanOnly: address.van === 'yes',
    push: one(HOUSE_CHOICES.push, 'push', rules.push),
    applianceLine: one(HOUSE_CHOICES.applianceLine, 'line', rules.applianceLine),
    toiletLine: one(HOUSE_CHOICES.toiletLine, 'toilet', rules.toiletLine),
    tempF: figure('temp', 999),
    boreIn: figure('bore', 4),
    avoid: AVOIDABLE.filter((tag) => address.avoid?.split(' ').includes(tag)),
    outOf: address.out === 'wall' || address.out === 'floor' ? address.out : null,
  };
}

/** The address that asks this again. */
export function addressOf(q: Question): string {
  const out = new URLSearchParams();
  const put = (name: string, value: string | number | null | false) => value && out.set(name, String(value));
  put('q', q.text.trim());
  put('from', q.from);
  put('to', q.to);
  put('rejoin', q.rejoin);
  put('water', q.water === 'hot' && 'hot');
  put('length', q.length.trim());
  put('psi', q.psi.trim());
  for (const name of FLAGS) put(name, q[name] && 'yes');
  put('wide', !q.wide && 'no');
  put('van', q.vanOnly && 'yes');
  put('push', q.push);
  put('line', q.applianceLine);
  put('toilet', q.toiletLine);
  put('temp', q.tempF);
  put('bore', q.boreIn);
  put('avoid', q.avoid.join(' '));
  put('out', q.outOf);
  return `/match?${out}`;
}

/** What the chain must do. */
export function needOf(q: Question, usualBoreIn: number | null): Need | null {
  const minLengthIn = inchesOf(q.length);
  const pressurePsi = psiOf(q.psi);
  if (Number.isNaN(minLengthIn) || Number.isNaN(pressurePsi)) return null;
  const minBoreIn = q.boreIn ?? (q.wide ? usualBoreIn : null);
  const avoid = [...new Set([...(q.afterRo ? ['copper', 'brass'] : []), ...q.avoid])];
  return {
    water: q.water,
    ...(q.rejoin ? { rejoinFirst: true } : {}),
    ...(minLengthIn === undefined ? {} : { minLengthIn }),
    ...(q.stop ? { stop: true } : {}),
    ...(q.arrestor ? { arrestor: true } : {}),
    ...(q.check ? { check: true } : {}),
    ...(q.stopLeak ? { stopLeak: true } : {}),
    ...(q.outlet ? { leaveOutlet: true } : {}),
    ...(q.hidden ? { reachable: false } : {}),
    ...(avoid.length > 0 ? { avoid } : {}),
    ...(minBoreIn === null ? {} : { minBoreIn }),
    ...(pressurePsi === undefined ? {} : { pressurePsi }),
    ...(q.tempF === null ? {} : { tempF: q.tempF }),
    ...(q.outOf === null ? {} : { outOf: q.outOf }),
  };
}

/** psi, of a pressure as typed; undefined for nothing, NaN for what is no pressure a line is asked to hold. */
export function psiOf(text: string): number | undefined {
  if (text.trim() === '') return undefined;
  const psi = readPressurePsi(text) ?? Number.NaN;
  return psi > 0 && psi <= 1000 ? psi : Number.NaN;
}

/** Inches as typed; undefined for nothing, NaN for what is no length. */
export function inchesOf(length: string): number | undefined {
  if (length.trim() === '') return undefined;
  const inches = readLengthIn(length);
  return inches !== null && inches > 0 && inches <= 12_000 ? inches : Number.NaN;
}
