/** What no supply line goes to, or is not for a plumber's supply line to touch: gas, water heaters, fire sprinklers, irrigation mains. */
import { type Reason, reason } from '../../reason.ts';

interface NotOurs {
  rule: 'gas' | 'gas-leak' | 'heater' | 'fire-sprinkler' | 'irrigation';
  words: RegExp;
  text: string;
  /** Named as a place ('over the range') it is none of what is joined; 'source': named as where the water comes from neither. */
  mayBe?: 'place' | 'source';
}

const GAS_LEAK =
  'Gas smelled or heard: no switch, no flame, no telephone inside. Everyone out; call the utility or the emergency number from outside.';

/** The first that fits. */
const TABLE: readonly NotOurs[] = [
  {
    rule: 'gas-leak',
    words:
      /\b(?:smell(?:s|ed|ing)?|hear(?:s|d)?|hiss(?:es|ing)?|leak(?:s|ed|ing)?)\b[^.?!]*\b(?:gas|propane)\b|\b(?:gas|propane)\b(?! ?(?:heater|dryer|range))[^.?!]*\b(?:smell|leak|hiss)/,
    text: GAS_LEAK,
  },
  {
    rule: 'gas',
    words:
      /\b(?:(?:natural |gas |propane |lp |electric )*(?:(?<!price )(?<!pressure )(?<!in the )(?<!in that )(?<!in )range(?! ?hood)s?|stoves?|cooktops?|(?<!steam )(?<!washer )(?<!washer and )(?<!washer\/)(?<!washer & )(?<!hair )dryers?|furnaces?|(?<!steam )generators?|log lighters?|gas logs?|fireplaces?|fire ?pits?|patio heaters?|grills?|barbecues?|bbqs?|pool heaters?|space heaters?))\b/,
    text: `Gas: not a water connection. A licensed gas fitter does it; nothing is proposed for it here. ${GAS_LEAK}`,
    mayBe: 'place',
  },
  {
    rule: 'gas',
    words: /\b(?:natural gas|gas|csst|yellow|propane|lpg?)\b/,
    text: `Gas: not a water connection. A licensed gas fitter does it; nothing is proposed for it here. ${GAS_LEAK}`,
    mayBe: 'place',
  },
  {
    rule: 'heater',
    words:
      /\b(?:(?:water|tankless|instant|on[- ]demand|hot water|gas|electric) ?heaters?|heaters?|tankless|boilers?(?! drains?\b)|hot water tanks?)\b/,
    text: 'A water heater, a boiler and their feeds are no supply line: a valve of its own, room for expansion, dielectric unions, no plastic within 18 in of its flue, a relief pipe. A licensed plumber, by local code and its sheet.',
    mayBe: 'source',
  },
  {
    rule: 'irrigation',
    words: /\b(?:(?:lawn|yard|garden|turf) sprinklers?|irrigation|drip (?:system|line)|sprinkler (?:valve|manifold|zone)s?)\b/,
    text: 'Irrigation mains want a listed backflow preventer of their own kind and often a permit: a licensed irrigation fitter or plumber. A hose outlet with its vacuum breaker is another thing.',
  },
  {
    rule: 'fire-sprinkler',
    words: /\b(?:fire (?:sprinklers?|line|main|pipe|system)|sprinklers?(?: (?:heads?|pipes?|lines?|systems?|mains?))?)\b/,
    text: 'Pipe that feeds fire sprinklers, shared systems included, is never tapped or shut without its designer or owner. A lawn’s sprinklers want a listed backflow preventer of their own kind.',
  },
];

/** Said before it, a thing is where something stands, or where the water comes from. */
const PLACE =
  /\b(?:over|above|near|by|behind|beside|next to|on|under|below|beneath|at|across from|(?:left|right|back|side|front|top) of|past|around)\s+(?:(?:the|a|an|my|our|his|her|their|that|this)\s+)?(?:\w+\s+)?$/;
const SOURCE = /\b(?:off|off of|out of|from)\s+(?:(?:the|a|an|my|our|his|her|their|that|this)\s+)?(?:\w+\s+)?$/;
/** Named after another appliance's place: 'furnace humidifier', 'boiler room sink'. */
const OF_ANOTHER = /^\s+(?:humidifier|room|closet|humidifiers)\b/;

/** Why nothing is proposed; null where nothing of the kind is said, or only as a place. */
export function notOurs(text: string): Reason | null {
  for (const { row, found, place } of spoken(text.toLowerCase()))
    if (place === null) return reason(row.rule, row.text, { source: 'safety practice', figures: { said: found } });
  return null;
}

/** The text without what is named in it as a place alone: 'dishwasher next to the stove'. */
export function withoutPlaces(text: string): string {
  const places = [...spoken(text.toLowerCase())].flatMap((s) => s.place ?? []);
  const isKept = (_: string, at: number) => !places.some(({ from, to }) => at >= from && at < to);
  return places.length === 0
    ? text
    : text
        .split('')
        .map((letter, at) => (isKept(letter, at) ? letter : ''))
        .join('');
}

interface Spoken {
  row: NotOurs;
  found: string;
  /** Where the words stand that name it as a place; null where it is joined. */
  place: { from: number; to: number } | null;
}

/** Whatever of the table is said, in the table's order. */
function* spoken(said: string): Generator<Spoken> {
  for (const row of TABLE) {
    if (!row.words.test(said)) continue;
    for (const found of said.matchAll(new RegExp(row.words, 'g'))) {
      const to = found.index + found[0].length;
      const near = row.mayBe && PLACE.exec(said.slice(0, found.index));
      const isNamed = row.mayBe && (OF_ANOTHER.test(said.slice(to)) || (row.mayBe === 'source' && SOURCE.test(said.slice(0, found.index))));
      yield { row, found: found[0], place: near ? { from: near.index, to } : isNamed ? { from: found.index, to } : null };
    }
  }
}
