/** Writes the core's frozen tables from the catalogue's CSV: `npm run tables`. A test holds the two equal. */
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { readAppliances } from './appliances.ts';
import { readSeals, readThreads, readTubes } from './tables.ts';

export function tableSource(name: string, type: string, from: string, rows: unknown[]): string {
  const body = rows.map((row) => `  ${JSON.stringify(row)},`).join('\n');
  return `// Generated from catalog/data/${name}.csv by \`npm run tables\`; do not edit by hand.
import type { ${type} } from './${from}.ts';

export const ${name}Table: readonly ${type}[] = [
${body}
];
`;
}

/** Usual inlet ends by appliance, for the prior of a thread seen on one. */
export const inletsOf = (): { appliance: string; ends: string[] }[] => readAppliances().map((a) => ({ appliance: a.id, ends: a.usualInletEnds }));

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const out = (name: string) => fileURLToPath(new URL(`../core/ends/${name}.table.ts`, import.meta.url));
  writeFileSync(out('threads'), tableSource('threads', 'Thread', 'threads', readThreads()));
  writeFileSync(out('tubes'), tableSource('tubes', 'Tube', 'tubes', readTubes()));
  writeFileSync(out('seals'), tableSource('seals', 'Seal', 'seals', readSeals()));
  writeFileSync(out('inlets'), tableSource('inlets', 'Inlets', 'inlets', inletsOf()).replace('inlets.csv', 'appliances.csv'));
}
