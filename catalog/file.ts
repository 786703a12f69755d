import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Text of a data file. The built server runs elsewhere than its sources, so files are found from the house's root. */
export function dataFile(name: string): string {
  return readFileSync(join(process.env.BRASS_NUT_ROOT ?? process.cwd(), 'catalog', 'data', name), 'utf8');
}
