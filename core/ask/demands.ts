/** What a question asks of the chain besides its two ends: lengths, a stop, what to keep out. */

import type { HouseRules } from '../house/index.ts';
import type { Need } from '../match/index.ts';
import { readFraction, readLengthIn, readPressurePsi } from '../units/index.ts';

export interface Demands {
  need: Partial<Need>;
  rules: { push?: HouseRules['push'] };
  /** Asked for, and nothing that a chain can be asked for. */
  unread: string[];
  /** 'in the wall': of a found pipe, or of the whole line. */
  isInWall: boolean;
  /** The text without what was read of it. */
  rest: string;
}

const NUMBER = String.raw`(?<![\w/.x-])(?<!\bx )(\d+(?:\.\d+)?(?:[ -]\d+\/\d+)?|\.\d+|\d+\/\d+)`;
const INCHES = String.raw`[ -]*(?:inches|inch|in\b\.?|["”″]|'')`;
const ABOUT = String.raw`(?:(?:at least|about|roughly|around|some|reach(?:es|ing)?|to reach|is|it is|run of|length(?: of)?|distance(?: of)?|for|,)\s+)*`;
const FAR = String.raw`\s*(?:long|away|apart|of (?:reach|length|hose|line)|reach|length|between them|from (?:it|there|each other))\b`;

const asLength = (text: string): Partial<Need> | null => {
  const inches = readLengthIn(
    text
      .trim()
      .replace(/[ -]+(?=\D*$)/, ' ')
      .replace(/-/g, ' '),
  );
  return inches !== null && inches > 0 && inches <= 12_000 ? { minLengthIn: inches } : null;
};

/** Sizes of the trade end at 4 in; what is longer is a distance. */
const LONGEST_SIZE_IN = 4;
const asLongLength = (text: string): Partial<Need> | null => {
  const read = asLength(text);
  return read && read.minLengthIn! > LONGEST_SIZE_IN ? read : null;
};

type Take = (found: RegExpMatchArray) => Partial<Need> | null;
interface Row {
  says: RegExp;
  take: Take;
}
const row = (says: string, take: Take): Row => ({ says: new RegExp(says, 'gi'), take });
const asks =
  (need: Partial<Need>): Take =>
  () =>
    need;

const A = String.raw`(?:an?\s+|its\s+|his\s+|the\s+|their\s+)?(?:own\s+|new\s+|separate\s+)*`;
const STOP = String.raw`(?:(?:angle|straight|quarter[- ]turn|stop|shut[- ]?off|dual)\s+)*(?:stop|shut[- ]?off|valve)s?\b`;
const WITH = String.raw`\b(?:with|w\/|plus|and|including|incl\.?|needs?|wants?|add(?:ing)?|gets?|having)\s+`;
const WITHOUT = String.raw`\b(?:without|no|not|w\/o)\s+(?:an?\s+|any\s+)?`;
const ARRESTOR = String.raw`(?:water\s+)?(?:hammer\s+)?arrest[oe]rs?\b`;
const CHECK = String.raw`(?:(?:vented\s+)?backflow(?:\s+(?:preventer|protection|check|device))?|check(?:\s+valve)?|vacuum breaker|anti[- ]?siphon)\b`;
const LEAK = String.raw`(?:stop[- ]leak|leak[- ](?:stop(?:per)?|guard|shut[- ]?off)|flood[- ](?:stop|guard))(?:\s+(?:device|valve))?\b`;
/** Tags that a question may keep out of the chain. */
export const AVOIDABLE = ['brass', 'copper', 'plastic', 'stainless', 'rubber', 'hose'] as const;
const AVOIDED = AVOIDABLE.join('|');

const NO_PUSH = row(String.raw`\b(?:no|without|not)\s+(?:a\s+)?push(?:[- ](?:in|fit|on|to[- ]connect))?(?:\s+fittings?)?\b`, asks({}));

const NO_SOLDER = row(String.raw`\b(?:no|without|not)\s+(?:a\s+)?(?:solder(?:ing)?|sweat(?:ing)?|torch|flame|crimp(?:ing)?|glue)\b`, asks({}));
const IN_WALL = row(String.raw`\bin (?:the|a) (?:wall|ceiling)\b`, asks({}));

/** In this order: what is said with more words first. */
// biome-ignore format: a table
const ROWS: Row[] = [
  row(`${WITHOUT}${LEAK}`, asks({ stopLeak: false })),
  row(`(?:(?:${WITH})${A})?${LEAK}`, asks({ stopLeak: true })),
  row(String.raw`\bno (?:room|space|place) for (?:an?\s+)?${STOP}`, asks({ stop: false })),
  row(`${WITHOUT}${STOP}`, asks({ stop: false })),
  row(`${WITHOUT}${ARRESTOR}`, asks({ arrestor: false })),
  row(`${WITHOUT}${CHECK}`, asks({ check: false })),
  row(String.raw`\b(?:no|not|without)\s+((?:${AVOIDED})(?:(?:\s*,\s*|\s+)(?:(?:and|or|no|nor)\s+)?(?:${AVOIDED}))*)\b(?:\s+(?:parts?|fittings?))?`, ([, tags]) => ({ avoid: [...new Set(tags!.toLowerCase().match(new RegExp(AVOIDED, 'g')))] })),
  row(String.raw`\b(?:after|behind|downstream of|past|following)\s+(?:an?\s+|the\s+)?(?:ro|reverse[- ]osmosis)(?:\s+(?:unit|filter|system))?\b|\b(?:ro|reverse[- ]osmosis)\s+water\b`, asks({ avoid: ['copper', 'brass'] })),
  row(`(?:${WITH})${A}(?:${ARRESTOR})`, asks({ arrestor: true })),
  row(ARRESTOR, asks({ arrestor: true })),
  row(`(?:${WITH})${A}${CHECK}`, asks({ check: true })),
  row(String.raw`\b(?:vented\s+)?(?:backflow preventer|backflow protection|check valve)\b`, asks({ check: true })),
  row(String.raw`(?:${WITH}|\bleav(?:e|es|ing)\s+)(?:an?|one|the)?\s*(?:second|spare|free|extra)\s+outlet(?:\s+free)?\b|\bleav(?:e|es|ing)\s+an?\s+outlet(?:\s+free)?\b`, asks({ leaveOutlet: true })),
  row(`${WITH}${A}${STOP}`, asks({ stop: true })),
  row(String.raw`\b(?:its\s+)?own\s+${STOP}`, asks({ stop: true })),
  row(String.raw`^\s*(?:(?:what|which|an?|the)\s+)?(?:(?:angle|straight|quarter[- ]turn)\s+)?(?:stop|shut[- ]?off)(?:\s+valve)?\s+(?:do i need\s+|do you need\s+|goes\s+)?(?=(?:for|from|between|on|joins)\b)`, asks({ stop: true })),
  row(String.raw`\bout of (?:the|a)\s+(wall|floor)\b`, ([, way]) => ({ outOf: way!.toLowerCase() as 'wall' | 'floor' })),
  row(String.raw`\b(?:hidden(?: for good)?|concealed|walled in|closed in|buried|(?:inside|behind|within) (?:the |a )?(?:wall|drywall|tile|plaster|ceiling)s?)\b`, asks({ reachable: false })),
  IN_WALL,
  row(String.raw`\bhot(?:\s+(?:and|or|&)\s+cold)?(?:\s+(?:water|side|run|line))?\b|\bcold\s+(?:and|or|&)\s+hot\b`, asks({ water: 'hot' })),
  row(String.raw`\bcold(?:\s+(?:water|side|run|line))?\b`, asks({ water: 'cold' })),
  row(String.raw`(?:\bat\s+)?${NUMBER}\s*(psi|bar|kpa)\b`, ([, n, unit]) => pressure(Number(n), unit!.toLowerCase())),
  row(String.raw`(?:\bat\s+)?(?<![\w/.-])(\d{2,3})\s*(?:°\s*f?|degrees?(?:\s+f)?|deg(?:\s+f)?|f)\b`, ([, n]) => ({ tempF: Number(n) })),
  row(String.raw`${NUMBER}${INCHES}\s+(?:of\s+)?(?:bore|wide|bored)\b|\bbore\s+(?:of\s+)?${NUMBER}(?:${INCHES})?`, ([, a, b]) => ({ minBoreIn: readFraction((a ?? b)!) ?? 0 })),
  row(String.raw`${ABOUT}(${NUMBER}\s*-?(?:feet|foot|ft\b\.?|['’′](?!'))(?:[ -]*(?:and\s+)?\d+(?:\.\d+)?(?:[ -]\d+\/\d+)?(?:${INCHES}|(?=\s*$|\s*,)))?)(?:${FAR})?`, ([, text]) => asLength(text!.replace(/\band\b/, ' '))),
  row(String.raw`${ABOUT}((?<![\w/.x-])(?<!\bx )\d+(?:\.\d+)?\s*(?:cm|m(?:et(?:er|re)s?)?)\b)(?:${FAR})?`, ([, text]) => asLength(text!.replace(/met(?:er|re)s?/i, 'm'))),
  row(String.raw`${ABOUT}((?<![\w/.x-])\d+(?:\.\d+)?\s*mm\b)(?:${FAR})?`, ([, text]) => asLongLength(text!)),
  row(String.raw`\b(?:too\s+|is\s+|comes\s+up\s+)*short\s+(?:by\s+|of\s+)?(${NUMBER}${INCHES})`, ([, text]) => asLength(text!)),
  row(`${ABOUT}(${NUMBER})(?:${INCHES})?(?:${FAR})`, ([, text]) => asLength(text!)),
  row(`${ABOUT}(${NUMBER}${INCHES})`, ([, text]) => asLongLength(text!)),
  row(String.raw`(?:,\s*|\b(?:at least|about|reach(?:es|ing)?)\s+)${NUMBER}\s*(?=,|$|[.?!]\s*$)`, ([, text]) => asLongLength(text!)),
  // 'toilet 20', 'supply line 12': a number at the end, of no size.
  row(String.raw`(?<=[a-z])\s+(?!(?:45|90)\b)(\d{2,3})\s*$`, ([, text]) => asLongLength(`${text} in`)),
  NO_PUSH,
  NO_SOLDER,
];

function pressure(value: number, unit: string): Partial<Need> {
  const psi = readPressurePsi(`${value} ${unit}`) ?? 0;
  return psi > 0 && psi <= 1000 ? { pressurePsi: Math.round(psi * 10) / 10 } : {};
}

/** The first place where a row says something, and what. */
function firstSaid({ says, take }: Row, text: string): { found: RegExpMatchArray; need: Partial<Need> } | null {
  // Most rows say nothing of most sentences, and looking costs less than finding all.
  if (text.search(says) < 0) return null;
  for (const found of text.matchAll(says)) {
    const need = take(found);
    if (need) return { found, need };
  }
  return null;
}

/** A number that stands alone where a length does, so large that it is none of a thread or a tube. */
const BARE_LENGTH = /((?:,\s*|\b(?:at least|about|reach(?:es|ing)?)\s+)\d{2,5}(?:\.\d+)?)(?=\s*(?:,|$|[.?!]\s*$))/gi;

/** The text of one who thinks in millimetres: a length without a unit is in them. */
export const withMillimetres = (text: string): string => text.replace(BARE_LENGTH, '$1 mm');

/** Takes what is asked out of a text; what is left are the ends. */
export function readDemands(text: string): Demands {
  const out: Demands = {
    need: {},
    rules: {},
    unread: [],
    isInWall: false,
    rest: text,
  };
  for (const row of ROWS) {
    const said = firstSaid(row, out.rest);
    if (!said) continue;
    const { found, need } = said;
    if (row === NO_PUSH) out.rules.push = 'never';
    if (row === NO_SOLDER) out.unread.push(...found[0].toLowerCase().split(/\s+/));
    if (row === IN_WALL) out.isInWall = true;
    const avoid = [...new Set([...(out.need.avoid ?? []), ...(need.avoid ?? [])])];
    out.need = { ...need, ...out.need, ...(avoid.length > 0 ? { avoid } : {}) };
    out.rest = `${out.rest.slice(0, found.index)} , ${out.rest.slice(found.index! + found[0].length)}`;
  }
  return out;
}
