/** Writes the core's frozen tables from the catalogue's CSV: `npm run tables`. A test holds the two equal. */
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { readAppliances } from './appliances.ts';
import { houseChoices } from './house-rules.ts';
import { readGoods } from './parts.ts';
import { readNutFlats, readSeals, readThreads, readTubeJoints, readTubes } from './tables.ts';
import { readUsualSources } from './usual-sources.ts';
import { readWorkKinds } from './work-kinds.ts';

export function tableSource(file: string, name: string, rows: unknown[]): string {
  const body = rows.map((row) => `  ${JSON.stringify(row)},`).join('\n');
  return `// Generated from catalog/data/${file} by \`npm run tables\`; do not edit by hand.
export const ${name.replace(/-./g, (c) => c[1]!.toUpperCase())}Table = [
${body}
] as const;
`;
}

/** The house's choices: options by key, the usual one first. */
export function choicesSource(): string {
  const rows = houseChoices().map((c) => `  ${c.key}: ${JSON.stringify(c.options.map((o) => o.value))},`);
  return `// Generated from catalog/data/house-rules.json by \`npm run tables\`; do not edit by hand.
export const HOUSE_CHOICES = {
${rows.join('\n')}
} as const;

export type HouseChoices = { [K in keyof typeof HOUSE_CHOICES]: (typeof HOUSE_CHOICES)[K][number] };
`;
}

/** Usual inlet ends by appliance, for the prior of a thread seen on one, and the waters it takes. */
export const inletsOf = (): { appliance: string; ends: string[]; waters: string[]; both: boolean }[] =>
  readAppliances().map((a) => ({ appliance: a.id, ends: a.usualInletEnds, waters: a.water, both: a.fedBoth }));

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  writeFileSync(fileURLToPath(new URL('../core/house/choices.table.ts', import.meta.url)), choicesSource());
  const write = (file: string, name: string, rows: unknown[], folder = 'ends/tables') =>
    writeFileSync(fileURLToPath(new URL(`../core/${folder}/${name}.table.ts`, import.meta.url)), tableSource(file, name, rows));
  write('work-kinds.csv', 'work-kinds', readWorkKinds(), 'make');
  write('nut-flats.csv', 'nut-flats', readNutFlats(), 'make');
  write('goods.csv', 'goods', readGoods(), 'make');
  write('threads.csv', 'threads', readThreads());
  write('tubes.csv', 'tubes', readTubes());
  write('seals.csv', 'seals', readSeals(), 'rows');
  write('tube-joints.csv', 'tube-joints', readTubeJoints());
  write('appliances.csv', 'inlets', inletsOf());
  write('usual-sources.csv', 'usual-sources', readUsualSources(), 'ask');
}
