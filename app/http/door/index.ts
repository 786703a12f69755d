export { HEADERS, refusedAtDoor } from './door.ts';
export { answers } from './draining.ts';
export { type Asked, CSV, file, get, post } from './endpoint.ts';
export { answerOf, RefusedError } from './faults.ts';
export { guard, MAX_FILE, readBody, readBytes, readJson } from './guard.ts';
export { ingestBatch } from './ingest-batch.ts';
export { json, type Problem, problem } from './problem.ts';
export { forgetLeftBodies, MAX_BOOK_FILE, spooled } from './spooled.ts';
export { JSON_LINES, streamed } from './streamed.ts';
