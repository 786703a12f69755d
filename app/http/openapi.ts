import { z } from 'zod';
import { waterFile } from '../../store/files/index.ts';
import {
  bookLine,
  bookShape,
  callbacksAnswer,
  changesAnswer,
  dueAnswer,
  endsAnswer,
  entriesAnswer,
  entriesShape,
  findAnswer,
  identifyAnswer,
  identifyShape,
  importAnswer,
  ledgerAnswer,
  matchAnswer,
  matchShape,
  mateAnswer,
  mateShape,
  partsAnswer,
  pieceAnswer,
  premisesAnswer,
  premisesImportAnswer,
  premisesListAnswer,
  shopBegun,
  shopShape,
  shopsAnswer,
  shopTaken,
  stockAnswer,
  visitsAnswer,
  waterImportAnswer,
  whyNotAnswer,
  whyNotShape,
} from './shapes/index.ts';

const problem = {
  description: 'Problem details (RFC 9457): what is wrong and what to do',
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
};
const json = (description: string, shape: z.core.$ZodType) => ({
  description,
  content: { 'application/json': { schema: z.toJSONSchema(shape, { io: 'input' }) } },
});

const posts = {
  '/api/v1/mate': {
    shape: mateShape,
    summary: 'Whether and how two ends make a joint',
    answer: 'A mating: verdict, seal, loose pieces, turns, reasons',
    answerShape: mateAnswer,
  },
  '/api/v1/identify': {
    shape: identifyShape,
    summary: 'Which thread it is',
    answer: 'Candidates, the set that holds 95 %, what to measure next',
    answerShape: identifyAnswer,
  },
  '/api/v1/match': {
    shape: matchShape,
    summary: 'The best chains between two ends',
    answer: 'Chains by cost, parts refused, why there is none',
    answerShape: matchAnswer,
  },
  '/api/v1/why-not': {
    shape: whyNotShape,
    summary: 'Why a row of parts is no chain',
    answer: 'Reasons, the first that refuses it first; none when it is one',
    answerShape: whyNotAnswer,
  },
  '/api/v1/entries': {
    shape: entriesShape,
    summary: 'Takes what a device recorded, in order',
    answer: 'What came of each entry, in order',
    answerShape: entriesAnswer,
  },
  '/api/v1/shops': {
    shape: shopShape,
    summary: 'Begins an empty shop beside those that are there',
    answer: 'Its id, and whether it was begun now',
    answerShape: shopBegun,
  },
  '/api/v1/book': {
    shape: bookShape,
    summary: 'Takes what was made and changed in the book, in order',
    answer: 'What came of each entry, in order',
    answerShape: entriesAnswer,
  },
};
const gets = {
  '/api/v1/shops': {
    summary: 'The shops of this database; any other call is of the first, or of the one named in `shop`',
    parameters: [],
    answer: 'Shops',
    answerShape: shopsAnswer,
  },
  '/api/v1/ends': {
    summary: 'Every end code; with q, the readings of what a person typed',
    parameters: ['q'],
    answer: 'Ends with their labels',
    answerShape: endsAnswer,
  },
  '/api/v1/changes': {
    summary: 'What was recorded after a position of the shop’s order',
    parameters: ['after'],
    answer: 'Entries, and how far they go',
    answerShape: changesAnswer,
  },
  '/api/v1/premises': {
    summary: 'Premises by name, a page at a time; with q, those whose name, address, contact, places or appliances hold every word',
    parameters: ['q', 'limit', 'after'],
    answer: 'Premises, and where the next page begins',
    answerShape: premisesListAnswer,
  },
  '/api/v1/premises/{id}': {
    summary: 'A premises with all that stands and happens there',
    parameters: [],
    answer: 'Places, appliances, runs with how they stood last, visits, follow-ups',
    answerShape: premisesAnswer,
  },
  '/api/v1/visits': {
    summary: 'Visits of some days, both included, at most 100',
    parameters: ['from', 'to'],
    answer: 'Visits with how far they are, what they run into and what the van lacks',
    answerShape: visitsAnswer,
  },
  '/api/v1/find': {
    summary: 'Premises, appliances, visits, follow-ups, parts and connections that all words are found in',
    parameters: ['q'],
    answer: 'What is found, each with its page',
    answerShape: findAnswer,
  },
  '/api/v1/stock': {
    summary: 'What lies on shelves and vans, and what is to be bought',
    parameters: [],
    answer: 'Places with their items, and each place’s own shortfall added up',
    answerShape: stockAnswer,
  },
  '/api/v1/ledger': {
    summary: 'Connections that were signed off, newest first, 40 at a time',
    parameters: ['q', 'end', 'part', 'seal', 'appliance', 'finding', 'callbacks', 'recheck', 'premises', 'run', 'from', 'to', 'offset'],
    answer: 'Connections, how many fit, their joints and callbacks',
    answerShape: ledgerAnswer,
  },
  '/api/v1/due': {
    summary: 'What falls due until some days from now, late ones first, 50 at a time',
    parameters: ['kind', 'premises', 'ahead', 'offset'],
    answer: 'What is due, with counts by kind',
    answerShape: dueAnswer,
  },
  '/api/v1/callbacks': {
    summary: 'Callbacks by seal, part, turns, sealant, house rule and age, with 95 % intervals',
    parameters: ['appliance', 'from', 'to'],
    answer: 'Rates, each with its interval',
    answerShape: callbacksAnswer,
  },
  '/api/v1/parts': { summary: 'The parts the shop matches with', parameters: [], answer: 'Version, parts, loose pieces', answerShape: partsAnswer },
};

/** Calls that take or answer a file. */
const files = {
  '/api/v1/calendar.ics': { get: { summary: 'Visits of the next 60 days and rechecks due', type: 'text/calendar' } },
  '/api/v1/due.ics': { get: { summary: 'What falls due as days of a calendar', type: 'text/calendar' } },
  '/api/v1/due.csv': { get: { summary: 'What falls due', type: 'text/csv' } },
  '/api/v1/entries.csv': { get: { summary: 'Every entry, its body as JSON', type: 'text/csv' } },
  '/api/v1/joints.csv': { get: { summary: 'Every joint of the ledger', type: 'text/csv' } },
  '/api/v1/shop.jsonl': {
    get: { summary: 'Everything of the shop, a line each; the schema of a line is at /api/v1/shop-file.schema.json', type: 'application/x-ndjson' },
  },
  '/api/v1/shop/import': {
    post: { summary: 'Takes such a file into an empty shop, all or nothing', type: 'application/x-ndjson', answerShape: shopTaken },
  },
  '/api/v1/visits/{id}/certificate.pdf': { get: { summary: 'What was proven at a visit', type: 'application/pdf', query: ['id'] } },
  '/api/v1/visits/{id}/tags.pdf': { get: { summary: 'Tags of a visit, ten on a sheet', type: 'application/pdf', query: ['id'] } },
  '/api/v1/visits/{id}/runs/{run}/tags.pdf': { get: { summary: 'Tags of a run', type: 'application/pdf', query: ['id', 'run'] } },
  '/api/v1/book.jsonl': { get: { summary: 'Every entry of the book, oldest first, a line each', type: 'application/x-ndjson', shape: bookLine } },
  '/api/v1/book/import': { post: { summary: 'Takes such a file into an empty shop', type: 'application/x-ndjson', answerShape: importAnswer } },
  '/api/v1/premises/import': {
    post: { summary: 'Takes in a CSV file of premises, all or nothing', type: 'text/csv', answerShape: premisesImportAnswer },
  },
  '/api/v1/premises/{id}/water': {
    get: {
      summary: 'The water of a premises: places with heights, pipes, valves; the schema is at /api/v1/water-file.schema.json too',
      type: 'application/json',
      query: ['id'],
      shape: waterFile,
    },
    post: {
      summary: 'Takes in such a file, all or nothing, over what is drawn of the same ids',
      type: 'application/json',
      query: ['id'],
      shape: waterFile,
      answerShape: waterImportAnswer,
    },
  },
  '/api/v1/premises/{id}/water-off.ics': {
    get: {
      summary: 'When the water is off and where, for who lives there: `work` and `out` name things of the network, as often as wanted',
      type: 'text/calendar',
      query: ['id', 'day', 'from', 'to', 'work', 'out'],
    },
  },
  '/api/v1/visits/{id}/runs/{run}/card.pdf': {
    get: { summary: 'The work card of a run, black on white', type: 'application/pdf', query: ['id', 'run'] },
  },
  '/api/v1/visits/{id}/runs/{run}/card.md': {
    get: { summary: 'The work card of a run as a list of tasks, ticked as far as it is done', type: 'text/markdown', query: ['id', 'run'] },
  },
  '/api/v1/pictures/{id}': {
    get: { summary: 'A picture, named by the SHA-256 of what was sent', type: 'image/*', query: ['id'] },
    post: {
      summary:
        'Takes a piece of a picture: JPEG, PNG or WebP, 12 MB and 50 million pixels at most; one that does not follow on what is here is refused (409) with `have`',
      type: 'application/octet-stream',
      query: ['id', 'at', 'size'],
      answerShape: pieceAnswer,
    },
  },
  '/api/v1/pictures/{id}/small': { get: { summary: 'The same, small', type: 'image/webp', query: ['id'] } },
  '/api/v1/stock/reorder.csv': { get: { summary: 'What is to be bought', type: 'text/csv' } },
};

interface FileCall {
  summary: string;
  type: string;
  /** Of its content, or of a line of it. */
  shape?: z.core.$ZodType;
  answerShape?: z.core.$ZodType;
  /** What its address says. */
  query?: string[];
}

function fileCall(path: string, method: string, call: FileCall): object {
  const parameters = (call.query ?? []).map((name) => ({ name, in: path.includes(`{${name}}`) ? 'path' : 'query', required: true, schema: { type: 'string', maxLength: 200 } })); // biome-ignore format: one list
  const content = { [call.type]: { schema: call.shape ? z.toJSONSchema(call.shape, { io: 'input' }) : { type: 'string' } } };
  if (method === 'get') return { summary: call.summary, parameters, responses: { '200': { description: 'The file', content }, '503': problem } };
  return {
    summary: call.summary,
    parameters,
    requestBody: { required: true, content },
    responses: { '200': json('What was taken in', call.answerShape!), '413': problem, '422': problem, '503': problem },
  };
}

/** The API as OpenAPI 3.1, made from the shapes that read it. */
export function openapi(): object {
  const paths: Record<string, object> = {};
  for (const [path, { shape, summary, answer, answerShape }] of Object.entries(posts)) {
    const schema = z.toJSONSchema(shape, { io: 'input' });
    paths[path] = {
      post: {
        summary,
        requestBody: { required: true, content: { 'application/json': { schema } } },
        responses: { '200': json(answer, answerShape), '400': problem, '413': problem, '422': problem, '503': problem },
      },
    };
  }
  for (const [path, { summary, parameters, answer, answerShape }] of Object.entries(gets)) {
    const text = { type: 'string', maxLength: 200 };
    const query = parameters.map((name): object => ({ name, in: 'query', required: false, schema: text }));
    if (path.includes('{id}')) query.push({ name: 'id', in: 'path', required: true, schema: text });
    paths[path] = { get: { summary, parameters: query, responses: { '200': json(answer, answerShape), '503': problem } } };
  }
  for (const [path, calls] of Object.entries(files)) {
    const told = Object.fromEntries(Object.entries(calls).map(([method, call]) => [method, fileCall(path, method, call)]));
    paths[path] = { ...paths[path], ...told };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Brass Nut', version: '1', description: 'Figures are guides; local code and the maker’s instructions come first.' },
    paths,
    components: {
      schemas: {
        Problem: {
          type: 'object',
          required: ['type', 'title', 'status', 'detail'],
          properties: {
            type: { type: 'string' },
            title: { type: 'string' },
            status: { type: 'integer' },
            detail: { type: 'string' },
            at: { type: 'string' },
          },
        },
      },
    },
  };
}
