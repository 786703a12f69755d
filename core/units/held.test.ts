/** Figures as they are typed and told, at the edges of their words. */
import { held } from '../testing.ts';
import { readCents, readPercent } from './amount.ts';
import { boundDigits, threeDigits } from './digits.ts';
import { readFraction, turns24, writeFraction, writeTurns } from './fraction.ts';
import { hasUnit, isMetric, readLengthIn, readThreadsPerIn } from './length.ts';
import { poissonMean } from './poisson.ts';
import {
  asTyped,
  length,
  lengthTyped,
  pressure,
  pressureTyped,
  QUANTITIES,
  quantityWords,
  readCoilIn,
  readPressurePsi,
  said,
  saidIn,
  type Units,
  withQuantities,
} from './quantity.ts';
import { readTyped, type Typed, typedIn, typedUnit } from './typed.ts';

const UNITS: Units[] = ['inch', 'metric'];
const TYPED = [
  '3/8', ' 14 1/2 in', '14-1/2', '6 ft', "6'", "6' 2\"", '6ft-2', '6 feet 2 1/2 in', "6 ft.", '6 ft x', '20.9 mm', '140 cm', '1.4 m', '1.4 m.', '.5', '0.5"', '5.', '1/0', '3/-8', '-3', '', 'in', '12 inches', '2 1/2 inch', '1 1/2/3',
  '20 mmx', '1,5 m', '0', '1e3', '11.5', '1 mm', '0 mm', '60', '60 psi', '4 bar', '400 kPa', '4.2 BAR', '60psi.', '-5 psi', '30 ft', '9 m', '2 gpm', '7.5 L/min', '3 cu in', '50 mL', '4', '15 L', '+ 2 ft', ' 12 ', '+ 3', '- 4.5 ', '-2 ft', '68 F', '20 C', '3 gal', '1/2 gpm', '2 furlongs',
  '$89', '89.5', '89,50', 'EUR 12', '12 EUR', '1,234.50', '1.234,50', '12.345', '-3', '7.5%', '7,5 %', '100', '100.1', '101%', '0 %', 'abc', '1000000000', '9 9', '٣',
]; // biome-ignore format: a table
const KINDS = ['feet', 'flow', 'gas', 'gallons'] as const satisfies Typed[];
const SIZES = [
  0, 0.01, 0.03125, 0.2, 0.3749, 0.375, 0.5, 0.96875, 0.99, 1, 1.0625, 1.499, 2.5, 3, 9.99, 10, 10.01, 11.99, 12, 23.5, 24, 59.99, 72, 78.7, 78.8,
  120, 144.5, 1200, -0.25, -0.5, -12, -30,
];

held(import.meta.url, [
  ...[...new Set(TYPED)].flatMap((text) => [
    [
      `length ${JSON.stringify(text)}`,
      () => [
        readLengthIn(text),
        isMetric(text),
        hasUnit(text),
        readThreadsPerIn(text),
        readFraction(text),
        readCoilIn(text, 'inch'),
        readCoilIn(text, 'metric'),
        lengthTyped(text, 'inch'),
        lengthTyped(text, 'metric'),
      ],
    ] as const,
    [
      `pressure ${JSON.stringify(text)}`,
      () => [readPressurePsi(text), readPressurePsi(text, 'metric'), pressureTyped(text, 'inch'), pressureTyped(text, 'metric')],
    ] as const,
    [
      `typed ${JSON.stringify(text)}`,
      () => KINDS.map((of) => [readTyped(of, text), typedIn(of, text, 'inch'), typedIn(of, text, 'metric')]),
    ] as const,
    [`money ${JSON.stringify(text)}`, () => [readCents(text), readPercent(text)]] as const,
    [`as typed ${JSON.stringify(text)}`, () => UNITS.flatMap((u) => [asTyped(text, length(14.5), u), asTyped(text, pressure(60), u)])] as const,
  ]),
  ...SIZES.flatMap((value) => [
    [`told ${value}`, () => QUANTITIES.flatMap((of) => UNITS.map((u) => quantityWords({ of, value }, u)))] as const,
    [`diameter ${value}`, () => UNITS.flatMap((u) => [2, 3].map((places) => quantityWords({ of: 'diameter', value, places }, u)))] as const,
    [
      `fraction ${value}`,
      () => [writeFraction(value), writeFraction(value, 16), writeFraction(value, 24, 0.01), turns24(value), writeTurns(turns24(value))],
    ] as const,
    [`digits ${value}`, () => [boundDigits(value), threeDigits(value)]] as const,
  ]),
  ...KINDS.map((of) => [`unit of ${of}`, () => UNITS.map((u) => typedUnit(of, u))] as const),
  ...[0, 1, 2, 5, 10, 100, 1000].map((n) => [`poisson ${n}`, () => poissonMean(n)] as const),
  ...UNITS.flatMap((u) => [
    [
      `said in ${u}`,
      () => [
        saidIn(said`${length(14.5)} of line at ${pressure(60)}, ${3} times`, u),
        saidIn({ text: '' }, u),
        saidIn({ text: '', pieces: ['x', length(1)] }, u),
        saidIn({ text: 'plain' }, u),
      ],
    ] as const,
    [
      `in text ${u}`,
      () =>
        [
          'Cut 14 1/2 in off.',
          'At 60 to 80 psi.',
          'About 2.5 gpm, 140 F.',
          '1/2 cup and 3 gal',
          'Nothing.',
          '6 in, 7 in and 8 in',
          '3/8 in OD tube',
          '0.25 in to 0.5 in',
        ].map((text) => [withQuantities(text), saidIn(withQuantities(text), u)]),
    ] as const,
  ]),
]);
