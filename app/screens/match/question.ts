import { HOUSE_CHOICES, type HouseRules, isEndCode, readEnd, readLengthIn } from '../../../core/index.ts';

/** What the match bench asks: it is the page's address, so that a link opens it again. */
export interface Question {
  from: string | null;
  to: string | null;
  rejoin: string | null;
  water: 'cold' | 'hot';
  length: string;
  stop: boolean;
  arrestor: boolean;
  check: boolean;
  /** An outlet left free for another run. */
  outlet: boolean;
  hidden: boolean;
  /** After a reverse-osmosis unit: its water attacks copper and brass. */
  afterRo: boolean;
  psi: string;
  vanOnly: boolean;
  push: HouseRules['push'];
  applianceLine: HouseRules['applianceLine'];
  toiletLine: HouseRules['toiletLine'];
}

type Address = Record<string, string | undefined>;

/** 'from 3/8 comp m to 7/8 bc' into two ends; the first reading of each, shown so that another can be chosen. */
export function readQuestion(text: string): { from: string | null; to: string | null } {
  const parts = text.replace(/^\s*from\s+/i, '').split(/\s+to\s+|\s*(?:->|→|>)\s*/i);
  const first = (t: string | undefined) => (t ? (readEnd(t)[0]?.end ?? null) : null);
  return { from: first(parts[0]), to: first(parts[1]) };
}

export function questionOf(address: Address, rules: HouseRules): Question {
  const typed = readQuestion(address.q ?? '');
  const end = (name: string, fallback: string | null) => (isEndCode(address[name] ?? '') ? (address[name] as string) : fallback);
  const one = <T extends string>(list: readonly T[], value: string | undefined, usual: T) => list.find((x) => x === value) ?? usual;
  return {
    from: end('from', typed.from),
    to: end('to', typed.to),
    rejoin: end('rejoin', null),
    water: address.water === 'hot' ? 'hot' : 'cold',
    length: (address.length ?? '').slice(0, 20),
    stop: address.stop === 'yes',
    arrestor: address.arrestor === 'yes',
    check: address.check === 'yes',
    outlet: address.outlet === 'yes',
    hidden: address.hidden === 'yes',
    afterRo: address.afterRo === 'yes',
    psi: (address.psi ?? '').slice(0, 10),
    vanOnly: address.van === 'yes',
    push: one(HOUSE_CHOICES.push, address.push, rules.push),
    applianceLine: one(HOUSE_CHOICES.applianceLine, address.line, rules.applianceLine),
    toiletLine: one(HOUSE_CHOICES.toiletLine, address.toilet, rules.toiletLine),
  };
}

/** The address that asks this again. */
export function addressOf(q: Question): string {
  const out = new URLSearchParams();
  const put = (name: string, value: string | null | false) => value && out.set(name, value);
  put('from', q.from);
  put('to', q.to);
  put('rejoin', q.rejoin);
  put('water', q.water === 'hot' && 'hot');
  put('length', q.length.trim());
  put('psi', q.psi.trim());
  for (const name of ['stop', 'arrestor', 'check', 'outlet', 'hidden', 'afterRo'] as const) put(name, q[name] && 'yes');
  put('van', q.vanOnly && 'yes');
  put('push', q.push);
  put('line', q.applianceLine);
  put('toilet', q.toiletLine);
  return `/match?${out}`;
}

/** psi as typed; undefined for nothing, NaN for what is no pressure a line is asked to hold. */
export function psiOf(text: string): number | undefined {
  if (text.trim() === '') return undefined;
  const psi = Number(text);
  return psi > 0 && psi <= 1000 ? psi : Number.NaN;
}

/** Inches as typed; undefined for nothing, NaN for what is no length. */
export function inchesOf(length: string): number | undefined {
  if (length.trim() === '') return undefined;
  const inches = readLengthIn(length);
  return inches !== null && inches > 0 && inches <= 12_000 ? inches : Number.NaN;
}
