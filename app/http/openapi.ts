import { z } from 'zod';
import { endsAnswer, identifyAnswer, matchAnswer, mateAnswer, partsAnswer, whyNotAnswer } from './answer-shapes.ts';
import { identifyShape, matchShape, mateShape, whyNotShape } from './api-shapes.ts';
import { bookShape, changesAnswer, entriesAnswer, entriesShape } from './record-shapes.ts';

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
  '/api/v1/book': {
    shape: bookShape,
    summary: 'Takes what was made and changed in the book, in order',
    answer: 'What came of each entry, in order',
    answerShape: entriesAnswer,
  },
};
const gets = {
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
  '/api/v1/parts': { summary: 'The parts the shop matches with', parameters: [], answer: 'Version, parts, loose pieces', answerShape: partsAnswer },
};

/** The matching API as OpenAPI 3.1, made from the shapes that read it. */
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
    const query = parameters.map((name) => ({ name, in: 'query', required: false, schema: { type: 'string', maxLength: 200 } }));
    paths[path] = { get: { summary, parameters: query, responses: { '200': json(answer, answerShape), '503': problem } } };
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
