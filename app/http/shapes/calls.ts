/** Every call of the API: what it takes and answers. The description (`openapi.ts`) is made of these, and a test holds them against the routes. */
import type * as z from 'zod/mini';
import { visitFile, waterFile } from '../../../store/files/index.ts';
import { endsAnswer, identifyAnswer, matchAnswer, mateAnswer, partsAnswer, whyNotAnswer } from './answer-shapes.ts';
import { identifyShape, letOutShape, matchShape, mateShape, rulesShape, shopShape, whyNotShape } from './api-shapes.ts';
import * as book from './book-answers.ts';
import { callbacksAnswer, dueAnswer, ledgerAnswer, shopTaken } from './ledger-answers.ts';
import * as other from './other-answers.ts';
import { bookShape, changesAnswer, entriesAnswer, entriesShape } from './record-shapes.ts';

export interface Call {
  summary: string;
  /** What its address may say, and what it must. */
  query?: readonly string[];
  must?: readonly string[];
  /** JSON of a shape, or a file by its type. */
  takes?: z.core.$ZodType | { file: string; shape?: z.core.$ZodType };
  answers: z.core.$ZodType | { file: string; shape?: z.core.$ZodType };
}

type Calls = Readonly<Record<string, { get?: Call; post?: Call }>>;

const CSV = { file: 'text/csv' };
const PDF = { file: 'application/pdf' };
const CALENDAR = { file: 'text/calendar' };
const LINES = { file: 'application/x-ndjson' };
const EVENTS = { file: 'text/event-stream' };
/** Filters of the ledger. */
const LEDGER = ['q', 'end', 'part', 'seal', 'appliance', 'finding', 'callbacks', 'recheck', 'premises', 'run', 'from', 'to'] as const;
const DUE = ['kind', 'premises', 'ahead'] as const;

export const CALLS: Calls = {
  // What fits what.
  '/mate': { post: { summary: 'Whether and how two ends make a joint', takes: mateShape, answers: mateAnswer } },
  '/identify': {
    post: { summary: 'Which thread it is: candidates, the set that holds 95 %, what to measure next', takes: identifyShape, answers: identifyAnswer },
  },
  '/match': { post: { summary: 'The best chains between two ends, parts refused, why there is none', takes: matchShape, answers: matchAnswer } },
  '/why-not': { post: { summary: 'Why a row of parts is no chain, the first that refuses it first', takes: whyNotShape, answers: whyNotAnswer } },
  '/ends': { get: { summary: 'Every end code with its label; with q, the readings of what a person typed', query: ['q'], answers: endsAnswer } },
  '/gauge-card.pdf': { get: { summary: 'The gauge card, to be printed at its size', answers: PDF } },
  '/gauge-card.svg': { get: { summary: 'The same as a drawing', answers: { file: 'image/svg+xml' } } },

  // The shop, its rules and parts.
  '/shops': {
    get: { summary: 'The shops of this database; any other call is of the first, or of the one named in `shop`', answers: book.shopsAnswer },
    post: { summary: 'Begins an empty shop beside those that are there', takes: shopShape, answers: book.shopBegun },
  },
  '/rules': {
    get: { summary: 'The house rules in force, and what two said of one without knowing of each other', answers: other.rulesAnswer },
    post: {
      summary: 'Has the house do it by these, with the reason: what differs is said in the book',
      takes: rulesShape,
      answers: other.rulesSaved,
    },
  },
  '/catalogue': {
    get: {
      summary: 'What matching and work cards need: parts, loose pieces, steps, rules, the shop’s own minutes and rates',
      answers: other.catalogueAnswer,
    },
  },
  '/parts': { get: { summary: 'The parts the shop matches with', answers: partsAnswer } },
  '/parts/all.csv': { get: { summary: 'The same as a file', answers: CSV } },
  '/parts/own.csv': { get: { summary: 'The shop’s own parts, as they came in', answers: CSV } },
  '/parts/import': {
    post: {
      summary: 'Takes in a file of own parts, all or nothing; answers how far it is, a line each, and at last what came of it',
      takes: CSV,
      answers: { ...LINES, shape: other.partsImportLine },
    },
  },
  '/shop.jsonl': {
    get: { summary: 'Everything of the shop, a line each; the schema of a line is at /api/v1/shop-file.schema.json', answers: LINES },
  },
  '/shop-file.schema.json': { get: { summary: 'The schema of a line of a shop’s file', answers: other.schemaAnswer } },
  '/shop/import': { post: { summary: 'Takes such a file into an empty shop, all or nothing', takes: LINES, answers: shopTaken } },
  '/stock': { get: { summary: 'What lies on shelves and vans, and what is to be bought', answers: book.stockAnswer } },
  '/stock/day': {
    get: { summary: 'Visits of a day with where their runs stand: what a van is loaded by', must: ['day'], answers: other.stockDayAnswer },
  },
  '/stock/entries': { get: { summary: 'What was said last of a shelf or van', must: ['place'], answers: other.stockEntriesAnswer } },
  '/stock/reorder.csv': { get: { summary: 'What is to be bought', answers: CSV } },

  // What is entered, and how it comes to others.
  '/entries': {
    post: { summary: 'Takes what a device recorded of runs, in order; each entry has its own answer', takes: entriesShape, answers: entriesAnswer },
  },
  '/book': {
    post: {
      summary: 'Takes what was made and changed in the book, house rules and own parts among it, in order; each entry has its own answer',
      takes: bookShape,
      answers: entriesAnswer,
    },
  },
  '/book/holding': {
    get: {
      summary: 'What a device holds of premises and visits, each named once or more',
      query: ['premises', 'visit'],
      answers: other.holdingAnswer,
    },
  },
  '/book.jsonl': { get: { summary: 'Every entry of the book, oldest first, a line each', answers: { ...LINES, shape: book.bookLine } } },
  '/book/import': {
    post: { summary: 'Takes such a file into an empty shop', takes: { ...LINES, shape: book.bookLine }, answers: book.importAnswer },
  },
  '/changes': {
    get: { summary: 'What was recorded after a position of the shop’s order, and how far that goes', query: ['after'], answers: changesAnswer },
  },
  '/kit': { get: { summary: 'What a device takes along for its next 14 days', answers: other.kitAnswer } },
  '/stream': { get: { summary: 'Says when something is new; what it is, is asked of `changes`', query: ['after'], answers: EVENTS } },
  '/pictures/{id}': {
    get: { summary: 'A picture, named by the SHA-256 of what was sent', answers: { file: 'image/*' } },
    post: {
      summary:
        'Takes a piece of a picture: JPEG, PNG or WebP, 12 MB and 50 million pixels at most; one that does not follow on what is here is refused (409) with `have`',
      must: ['at', 'size'],
      takes: { file: 'application/octet-stream' },
      answers: book.pieceAnswer,
    },
  },
  '/pictures/{id}/small': { get: { summary: 'The same, small', answers: { file: 'image/webp' } } },

  // Premises and visits.
  '/premises': {
    get: {
      summary: 'Premises by name, a page at a time; with q, those whose name, address, contact, places or appliances hold every word',
      query: ['q', 'limit', 'after'],
      answers: book.premisesListAnswer,
    },
  },
  '/premises/import': { post: { summary: 'Takes in a CSV file of premises, all or nothing', takes: CSV, answers: book.premisesImportAnswer } },
  '/premises/{id}': {
    get: { summary: 'A premises with all that stands and happens there, each run with how it stood last', answers: book.premisesAnswer },
  },
  '/premises/{id}/water': {
    get: { summary: 'The water of a premises: places with heights, pipes, valves', answers: waterFile },
    post: { summary: 'Takes in such a file, all or nothing, over what is drawn of the same ids', takes: waterFile, answers: book.waterImportAnswer },
  },
  '/premises/{id}/water-off.ics': {
    get: {
      summary: 'When the water is off and where, for who lives there: `work` and `out` name things of the network, as often as wanted',
      must: ['day', 'from', 'to'],
      query: ['work', 'out'],
      answers: CALENDAR,
    },
  },
  '/water-file.schema.json': { get: { summary: 'The schema of a water file', answers: other.schemaAnswer } },
  '/visits': {
    get: {
      summary: 'Visits of some days, both included, at most 100: how far they are, what they run into and what the van lacks',
      must: ['from', 'to'],
      answers: book.visitsAnswer,
    },
    post: { summary: 'Takes in a visit file, all or nothing', takes: visitFile, answers: other.visitTaken },
  },
  '/visits/{id}': { get: { summary: 'A visit: where each of its runs stands, and every entry', answers: other.visitAnswer } },
  '/visits/{id}/file': { get: { summary: 'A visit as a file that reads the same in an empty shop', answers: visitFile } },
  '/visit-file.schema.json': { get: { summary: 'The schema of a visit file', answers: other.schemaAnswer } },
  '/visits/{id}/certificate.pdf': { get: { summary: 'What was proven at a visit', answers: PDF } },
  '/visits/{id}/record.csv': { get: { summary: 'Everything recorded on a visit, in plain words', answers: CSV } },
  '/visits/{id}/recheck.ics': { get: { summary: 'The rechecks of a visit’s signed-off runs', answers: CALENDAR } },
  '/visits/{id}/tags.pdf': { get: { summary: 'Tags of a visit, ten on a sheet', answers: PDF } },
  '/visits/{id}/runs/{run}/tags.pdf': { get: { summary: 'Tags of a run', answers: PDF } },
  '/visits/{id}/runs/{run}/card.pdf': { get: { summary: 'The work card of a run, black on white', answers: PDF } },
  '/visits/{id}/runs/{run}/card.md': {
    get: { summary: 'The work card of a run as a list of tasks, ticked as far as it is done', answers: { file: 'text/markdown' } },
  },
  '/runs/{id}/last': { get: { summary: 'What was found at a run the last time before a visit', must: ['before'], answers: other.lastAnswer } },
  '/calendar.ics': { get: { summary: 'Visits of the next 60 days and rechecks due', answers: CALENDAR } },
  '/find': {
    get: {
      summary: 'Premises, appliances, visits, follow-ups, parts and connections that all words are found in',
      must: ['q'],
      answers: book.findAnswer,
    },
  },

  // The ledger.
  '/ledger': {
    get: { summary: 'Connections that were signed off, newest first, 40 at a time', query: [...LEDGER, 'offset'], answers: ledgerAnswer },
  },
  '/ledger.csv': { get: { summary: 'The whole ledger that fits', query: LEDGER, answers: CSV } },
  '/due': {
    get: { summary: 'What falls due until some days from now, late ones first, 50 at a time', query: [...DUE, 'offset'], answers: dueAnswer },
  },
  '/due.ics': { get: { summary: 'What falls due as days of a calendar', query: DUE, answers: CALENDAR } },
  '/due.csv': { get: { summary: 'What falls due', query: DUE, answers: CSV } },
  '/callbacks': {
    get: {
      summary: 'Callbacks by seal, part, turns, sealant, house rule and age, with 95 % intervals',
      query: ['appliance', 'from', 'to'],
      answers: callbacksAnswer,
    },
  },
  '/entries.csv': { get: { summary: 'Every entry, its body as JSON', answers: CSV } },
  '/joints.csv': { get: { summary: 'Every joint of the ledger', answers: CSV } },

  // The pressure gauge at the shop’s network.
  '/gauge/lines': { get: { summary: 'Lines that the gauge can hang on; 503 where none answers', answers: other.gaugeLinesAnswer } },
  '/gauge/lines/{id}/let-out': {
    post: { summary: 'Lets a measured volume out of a line under the gauge', takes: letOutShape, answers: other.letOutAnswer },
  },
  '/gauge/stream': { get: { summary: 'Readings of a line as they come', query: ['scenario', 'speed'], answers: EVENTS } },

  '/health': { get: { summary: 'That the server answers, and of which folder it is', answers: other.healthAnswer } },
  '/openapi.json': { get: { summary: 'This description', answers: other.schemaAnswer } },
};
