/** What is read of whole questions, put together from what is said of ends, ways and wishes. */
import fc from 'fast-check';
import { held, sampled } from '../testing.ts';
import { AVOIDABLE, withMillimetres } from './demands.ts';
import { readQuestion } from './question.ts';

const pick = <T>(...values: T[]) => fc.constantFrom(...values);
const END = [
  '3/8 comp',
  'half inch copper',
  '1/2 fip',
  '3/4 ght',
  'a toilet',
  'the fridge',
  '1/2 pex',
  '7/8 bc',
  '1/4 od poly',
  'galvanized 1/2 pipe',
  'a dishwasher',
  '3/8 angle stop',
  'a basin faucet',
  'copper in the wall',
  'gas pipe',
  'washer box',
  '1/2 mip x 3/8 comp',
  '20 mm pipe',
  'old thing',
  '',
];
const BEGIN = [
  '',
  'from ',
  'what joins ',
  'how do I hook up ',
  'I need to get from ',
  'what goes between ',
  'feed ',
  'connect ',
  'is there something for ',
];
const BETWEEN = [' to ', ' x ', ' by ', ' and ', ' -> ', ' with a stop to ', ', stop, ', ' onto ', ' feeding ', ', ', ' for ', ' into a '];
const WISH = [
  '',
  '',
  ', 20 in',
  ' 20 inches away',
  ', with a stop',
  ' without a stop',
  ', no push',
  ', hidden in the wall',
  ', after the ro',
  ', hot',
  ', with an arrestor',
  ', no brass or copper',
  ' at 90 psi',
  ', 150 F',
  ' 6 ft 3 in',
  ' 2 m long',
  ' 600mm',
  ', 1/4 in bore',
  ', leaving a spare outlet',
  ', out of the floor',
  ', check valve',
  ', twenty four inches',
  ', no solder',
  ', 3',
  ' own stop',
  ' 5 bar',
  ", 3' long",
];
const anyAsked = fc
  .tuple(pick(...BEGIN), pick(...END), pick(...BETWEEN), pick(...END), pick(...WISH), pick(...WISH), pick('', '?', ' please'))
  .map((t) => t.join(''));

held(import.meta.url, [
  ...sampled('asked', anyAsked, 500, (text) => {
    const { from, to, ...rest } = readQuestion(text);
    return [text, from.map((r) => r.end), to.map((r) => r.end), rest];
  }),
  ['long', () => readQuestion(`${'from 3/8 comp '.repeat(60)} to a toilet`)],
  ['nothing', () => readQuestion('')],
  ...['20 in', '600 mm', '1/2', '2 m', 'x'].map((text) => [`millimetres of ${text}`, () => withMillimetres(text)] as const),
  ['avoidable', () => AVOIDABLE],
]);
