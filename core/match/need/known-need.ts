/** What a run asks of its chain, as far as it is known: from the appliance, from what was seen there, from the house's rules. */
import { type EndCode, endLabel, isHoseNut, parseEnd } from '../../ends/index.ts';
import { HOUSE_CHOICES, type HouseChoices, type HouseRules } from '../../house/index.ts';
import type { Appliance } from '../../rows/index.ts';
import { diameter, length, pressure, type Said, said } from '../../units/index.ts';
import type { Need, Stub } from '../query.ts';

/** House rules that decide which chain is best. */
export const MATCH_RULES = ['push', 'applianceLine', 'toiletLine'] as const satisfies (keyof HouseChoices)[];
export type MatchRule = (typeof MATCH_RULES)[number];

export const KNOWN_IDS = [
  'length', 'own-stop', 'arrestor', 'check', 'stop-leak', 'outlet', 'hidden', 'bore', 'pressure', 'turn', 'stub',
  'avoid-usual', 'after-osmosis', 'own-hose', 'passes', ...MATCH_RULES,
] as const; // biome-ignore format: one list
export type KnownId = (typeof KNOWN_IDS)[number];

export type KnownFrom = 'appliance' | 'look' | 'house rule';

/** One thing that is asked of the chain, in a few words ('its own stop'), and where it comes from. */
export interface Known extends Said {
  id: KnownId;
  from: KnownFrom;
  /** Why, in one sentence. */
  because: string;
  need: Partial<Need>;
  rule?: MatchRule;
  /** What a house rule may be instead. */
  options?: readonly string[];
  /** A figure that may be another, and its unit. */
  figure?: { value: number; of: FiguredId };
  /** Left aside where nothing else reaches. */
  isSoft?: boolean;
}

/** What is known of a run before its chain is chosen. */
export interface KnownFacts {
  appliance: Pick<Appliance, 'name' | 'minBoreIn' | 'usualNeeds' | 'avoid' | 'maxStaticPsi'> & { id: string };
  from: EndCode | null;
  to: EndCode | null;
  distanceIn: number | null;
  /** What the line goes through; left out where it stays in the room. */
  passes?: 'floor' | 'wall';
  /** Look says that no stop is there. */
  hasNoStop: boolean;
  /** What Look's verdicts ask, each with why; left out where nobody judged. */
  verdicts?: { stop?: string; arrestor?: string };
  place: {
    hidden: boolean;
    ownStop: boolean;
    arrestor: boolean;
    check?: boolean;
    stopLeak?: boolean;
    leaveOutlet?: boolean;
    outOf?: 'wall' | 'floor';
    afterOsmosis?: boolean;
    pressurePsi?: number;
  };
  stubs: Partial<Record<Stub['side'], Omit<Stub, 'side'>>>;
  rules: HouseRules;
}

const isTube = (code: EndCode | null) => code !== null && parseEnd(code).kind === 'tube';

/** What is asked by a figure, in the words that hold it. */
const FIGURED = {
  length: (value: number) => said`reaches ${length(value)}`,
  pressure: (value: number) => said`holds ${pressure(value)}`,
  bore: (value: number) => said`${diameter(value)} of bore`,
};
export type FiguredId = keyof typeof FIGURED;

/** Everything that is asked, in the order in which a plumber would say it. */
export function knownNeed(f: KnownFacts): Known[] {
  return [...fromLook(f), ...fromAppliance(f), ...fromRules(f)];
}

function fromLook({ place, passes, distanceIn, stubs, from, to, verdicts }: KnownFacts): Known[] {
  const out: Known[] = [];
  const add = (isSo: unknown, known: Omit<Known, 'from'>) => isSo && out.push({ ...known, from: 'look' });
  add(distanceIn !== null, {
    id: 'length',
    ...FIGURED.length(distanceIn ?? 0),
    because: 'Measured from end to end.',
    need: { minLengthIn: distanceIn ?? 0 },
    figure: { value: distanceIn ?? 0, of: 'length' },
  });
  add(place.ownStop, { id: 'own-stop', text: 'its own stop', because: 'A stop of this run alone, before the line.', need: { stop: true } });
  add(!place.ownStop && verdicts?.stop, { id: 'own-stop', text: 'its own stop', because: verdicts?.stop ?? '', need: { stop: true } });
  add(!place.arrestor && verdicts?.arrestor, {
    id: 'arrestor',
    text: 'a hammer arrestor',
    because: verdicts?.arrestor ?? '',
    need: { arrestor: true },
  });
  add(place.arrestor, { id: 'arrestor', text: 'a hammer arrestor', because: 'Asked for here, near the valve.', need: { arrestor: true } });
  add(place.check, { id: 'check', text: 'a vented backflow preventer', because: 'Asked for here, after the stop.', need: { check: true } });
  add(place.stopLeak, {
    id: 'stop-leak',
    text: 'a stop-leak device',
    because: 'Asked for here, after the stop, before the line.',
    need: { stopLeak: true },
  });
  add(place.leaveOutlet, { id: 'outlet', text: 'an outlet left free', because: 'Another run begins there.', need: { leaveOutlet: true } });
  add(place.hidden, {
    id: 'hidden',
    text: 'hidden for good',
    because: 'Nobody reaches the joints afterwards: no valve, union or hose, only seals that may be hidden.',
    need: { reachable: false },
  });
  add(place.pressurePsi !== undefined, {
    id: 'pressure',
    ...FIGURED.pressure(place.pressurePsi ?? 0),
    because: 'Measured here.',
    need: { pressurePsi: place.pressurePsi ?? 0 },
    figure: { value: place.pressurePsi ?? 0, of: 'pressure' },
  });
  add(place.outOf, {
    id: 'turn',
    text: `${place.outOf === 'floor' ? 'straight up out of the floor' : 'turns up out of the wall'}`,
    because: `A stop that goes ${place.outOf === 'floor' ? 'straight on' : 'round the corner'} is preferred.`,
    need: { outOf: place.outOf ?? 'wall' },
  });
  add(passes, {
    id: 'passes',
    text: `tube through the ${passes}`,
    because: 'No braided hose goes through a floor or a wall, where nobody sees it rub: tube does, in a sleeve.',
    need: { avoid: ['hose', 'tub-connector'] },
  });
  add(place.afterOsmosis, {
    id: 'after-osmosis',
    text: 'no copper, no brass',
    because: 'After a reverse-osmosis unit: its water attacks both.',
    need: { avoid: ['copper', 'brass'] },
  });
  const side = isTube(from) && stubs.from ? 'from' : 'to';
  const stub = stubs[side];
  add(stub && isTube(side === 'from' ? from : to), {
    id: 'stub',
    ...onStub(FINISHES[stub?.finish ?? 'unknown'], stub?.lengthIn),
    because: 'Chrome takes no push fitting, pits take none, and each joint wants its length of sound tube.',
    need: { stub: { side, finish: 'unknown', ...stub } },
  });
  return out;
}

const onStub = (finish: string, lengthIn: number | undefined): Said =>
  lengthIn === undefined ? said`on ${finish} tube` : said`on ${finish} tube, ${length(lengthIn)} free`;

/** Words for what is found on the outside of a tube. */
export const FINISHES: Record<Stub['finish'], string> = { bare: 'bare', chromed: 'chromed', pitted: 'pitted', unknown: 'unseen' };

const USUAL: Record<Appliance['usualNeeds'][number], Pick<Known, 'id' | 'text' | 'need'>> = {
  stop: { id: 'own-stop', text: 'its own stop', need: { stop: true } },
  arrestor: { id: 'arrestor', text: 'a hammer arrestor', need: { arrestor: true } },
  check: { id: 'check', text: 'a vented backflow preventer', need: { check: true } },
  'stop-leak': { id: 'stop-leak', text: 'a stop-leak device', need: { stopLeak: true } },
};

function fromAppliance({ appliance, place, hasNoStop, to, verdicts }: KnownFacts): Known[] {
  const out: Known[] = [];
  if (hasNoStop && !place.ownStop && !verdicts?.stop && !appliance.usualNeeds.includes('stop')) {
    out.push({ ...USUAL.stop, from: 'appliance', because: `No stop is there, and code and practice want one for a ${appliance.name}.` });
  }
  const said = {
    stop: place.ownStop || verdicts?.stop,
    arrestor: place.arrestor || verdicts?.arrestor,
    check: place.check,
    'stop-leak': place.stopLeak,
  };
  for (const usual of appliance.usualNeeds) {
    if (said[usual]) continue;
    out.push({ ...USUAL[usual], from: 'appliance', because: `Usual before a ${appliance.name}; its sheet decides.` });
  }
  out.push({
    id: 'bore',
    ...FIGURED.bore(appliance.minBoreIn),
    from: 'appliance',
    because: `What the flow of a ${appliance.name} asks of every part (typical).`,
    need: { minBoreIn: appliance.minBoreIn },
    figure: { value: appliance.minBoreIn, of: 'bore' },
  });
  const avoid = appliance.avoid.filter((tag) => !(place.afterOsmosis && (tag === 'copper' || tag === 'brass')));
  if (avoid.length > 0) {
    out.push({
      id: 'avoid-usual',
      text: `no ${avoid.join(', no ')}`,
      from: 'appliance',
      because: `Not before a ${appliance.name}.`,
      need: { avoid, ...(avoid.includes('hose') ? { ownConnectors: true } : {}) },
    });
  }
  if (to !== null && isHoseNut(to)) {
    out.push({
      id: 'own-hose',
      text: 'no hose onto its own hose',
      from: 'appliance',
      because: `It brings its own hose (${endLabel(to)}): connectors are not joined in series, unless nothing else reaches.`,
      need: { avoid: ['connector'] },
      isSoft: true,
    });
  }
  return out;
}

/** Which rules speak of the line to an appliance, where it is not the one for appliances. */
const LINE_RULES: Record<string, readonly MatchRule[]> = { toilet: ['toiletLine'], 'basin-faucet': ['toiletLine', 'applianceLine'] };

const RULE_WORDS: Record<MatchRule, (value: string) => string> = {
  push: (value) => `push fittings ${value}`,
  applianceLine: (value) => `${value} line`,
  toiletLine: (value) => `${value} line`,
};

function fromRules({ appliance, rules }: KnownFacts): Known[] {
  const told: MatchRule[] = ['push', ...(LINE_RULES[appliance.id] ?? (['applianceLine'] as const))];
  return told.map((rule) => ({
    id: rule,
    text: RULE_WORDS[rule](rules[rule]),
    from: 'house rule',
    because: 'As the house does it.',
    need: {},
    rule,
    options: HOUSE_CHOICES[rule],
  }));
}

/** What was changed of a known need for one run: another figure or rule, or left out (null); and why. */
export interface NeedChange {
  id: KnownId;
  to: number | string | null;
  because: string;
}

/** A known need as it stands for the run: as known, or as changed. */
export interface AskedNeed extends Known {
  change: NeedChange | null;
}

/** Needs with what was changed of them. */
export function askedNeeds(known: Known[], changes: readonly NeedChange[]): AskedNeed[] {
  return known.map((k) => {
    const change = changes.find((c) => c.id === k.id) ?? null;
    return change === null ? { ...k, change } : { ...changed(k, change), change };
  });
}

function changed(known: Known, { to }: NeedChange): Known {
  if (to === null) return { ...known, need: {} };
  if (known.rule && typeof to === 'string') return { ...known, text: RULE_WORDS[known.rule](to) };
  if (!known.figure || typeof to !== 'number') return known;
  const [key] = Object.keys(known.need) as (keyof Need)[];
  return { ...known, ...FIGURED[known.figure.of](to), need: { [key as string]: to }, figure: { ...known.figure, value: to } };
}

/** The need as a whole; soft ones apart, to be left aside where nothing else reaches. */
export function needOfAll(water: Need['water'], asked: readonly AskedNeed[]): { need: Need; soft: string[] } {
  const avoidOf = (list: readonly AskedNeed[]) => [...new Set(list.flatMap((a) => a.need.avoid ?? []))];
  const hard = asked.filter((a) => !a.isSoft);
  const need: Need = Object.assign({ water }, ...hard.map((a) => a.need));
  const avoid = avoidOf(hard);
  if (avoid.length > 0) need.avoid = avoid;
  const told = asked.flatMap((a) => a.rule ?? []);
  return { need, soft: [...avoidOf(asked.filter((a) => a.isSoft)), ...otherLines(told), STUB] };
}

/** Kinds of line that each rule speaks of, as parts are tagged. */
const LINES_OF = {
  toiletLine: ['line:riser', 'line:flexible'],
  applianceLine: ['line:braided', 'line:copper', 'line:pe', 'line:pex'],
} as const;

/** Lines of which no rule told here speaks: put aside, so that a rule for another appliance prefers nothing before this one. */
const otherLines = (told: readonly MatchRule[]): string[] =>
  (['toiletLine', 'applianceLine'] as const).flatMap((r) => (told.includes(r) ? [] : LINES_OF[r]));

/** A short piece of tube between two fittings: it stands in for no line to an appliance. */
const STUB = 'stub';

/**
 * What is put aside before an inlet, for a question without a run: a connector before its own hose, a stub in place of a line, lines of other appliances.
 *
 * @param isAppliance  an appliance usually has such an inlet
 */
export function asideFor(inlet: EndCode, isAppliance: boolean): string[] {
  const { family } = parseEnd(inlet);
  return [
    ...(isHoseNut(inlet) ? ['connector'] : []),
    ...(isAppliance
      ? [...otherLines(family === 'bc' ? ['toiletLine'] : ['applianceLine', ...(family === 'npsm' ? (['toiletLine'] as const) : [])]), STUB]
      : []),
  ];
}

/** The house's rules as they hold for this run. */
export function rulesOfAll(rules: HouseRules, asked: readonly AskedNeed[]): HouseRules {
  const other = asked.flatMap((a) => (a.rule && typeof a.change?.to === 'string' && isChoice(a.rule, a.change.to) ? [[a.rule, a.change.to]] : []));
  return { ...rules, ...Object.fromEntries(other) };
}

const isChoice = (rule: MatchRule, value: string): boolean => (HOUSE_CHOICES[rule] as readonly string[]).includes(value);
