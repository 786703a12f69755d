/** Reading a large file beside the server's own thread, which answers others meanwhile. */
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker } from 'node:worker_threads';
import { ImportError } from './import-error.ts';
import { parseVisitFile, type VisitFile } from './visit-file.ts';
import { parseWaterFile, type WaterFile } from './water-file.ts';

interface Files {
  visit: VisitFile;
  water: WaterFile;
}

/** What is smaller is read sooner than a thread is begun, characters. */
const SMALL = 200_000;
/** What a thread may take up, MB. */
const MOST_MB = 768;

const SCRIPT = pathToFileURL(join(process.env.BRASS_NUT_ROOT ?? process.cwd(), 'store', 'files', 'parse-worker.ts')).href;
/** A thread takes up TypeScript by itself: what the process was begun with does not reach it. */
const BEGIN = `
  const { workerData } = require('node:worker_threads');
  import('tsx/esm/api').then(({ register }) => { register(); return import(workerData.script); }).catch((error) => { throw error; });
`;

/** @throws ImportError naming what will not do */
export function readFile<K extends keyof Files>(kind: K, text: string): Promise<Files[K]> {
  return text.length <= SMALL ? inPlace(kind, text) : apart(kind, text);
}

const inPlace = async <K extends keyof Files>(kind: K, text: string): Promise<Files[K]> =>
  (kind === 'visit' ? parseVisitFile(text) : parseWaterFile(text)) as Files[K];

function apart<K extends keyof Files>(kind: K, text: string): Promise<Files[K]> {
  const worker = new Worker(BEGIN, { eval: true, workerData: { kind, text, script: SCRIPT }, resourceLimits: { maxOldGenerationSizeMb: MOST_MB } });
  return new Promise<Files[K]>((done, failed) => {
    worker.once('message', (said: { file: Files[K] } | { at: string; why: string }) => {
      if ('file' in said) done(said.file);
      else failed(new ImportError(said.at, said.why));
    });
    worker.once('error', (error: NodeJS.ErrnoException) =>
      failed(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? new ImportError('the file', 'it holds more than can be read at once.') : error),
    );
    worker.once('exit', () => failed(new Error('The file was not read: its thread ended.')));
  }).finally(() => worker.terminate());
}
