/** Assembles the inner loop of transients into the core: part of `npm run tables`. A test holds the two equal. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import wabt from 'wabt';

const FOLDER = join(import.meta.dirname, '..', 'core', 'hammer', 'waves');

/** The bytes of `kernel.wat`, in base 64. */
export async function kernelBytes(): Promise<string> {
  const tools = await wabt();
  const assembled = tools.parseWat('kernel.wat', readFileSync(join(FOLDER, 'kernel.wat'), 'utf8'));
  assembled.validate();
  return Buffer.from(assembled.toBinary({}).buffer).toString('base64');
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const source = `// Assembled from kernel.wat by \`npm run tables\`; do not edit by hand.
export const KERNEL_BYTES = '${await kernelBytes()}';
`;
  writeFileSync(join(FOLDER, 'kernel.table.ts'), source);
}
