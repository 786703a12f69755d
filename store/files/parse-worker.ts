/** Reads a file's text in a thread of its own. */
import { parentPort, workerData } from 'node:worker_threads';
import { ImportError } from './import-error.ts';
import { parseVisitFile } from './visit-file.ts';
import { parseWaterFile } from './water-file.ts';

const READERS = { visit: parseVisitFile, water: parseWaterFile };
const { kind, text } = workerData as { kind: keyof typeof READERS; text: string };

try {
  parentPort!.postMessage({ file: READERS[kind](text) });
} catch (error) {
  if (!(error instanceof ImportError)) throw error;
  parentPort!.postMessage({ at: error.at, why: error.why });
}
