/** The API as OpenAPI 3.1, made from the shapes that its routes read and answer (`shapes/calls.ts`). */
import { z } from 'zod';
import { createDocument, type ZodOpenApiMediaTypeObject, type ZodOpenApiOperationObject, type ZodOpenApiPathsObject } from 'zod-openapi';
import { CALLS, type Call } from './shapes/index.ts';

const text = { type: 'string', maxLength: 200 } as const;
const problem = {
  description: 'Problem details (RFC 9457): what is wrong and what to do',
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
} as const;

type Content = NonNullable<Call['takes']>;
const isFile = (content: Content): content is { file: string; shape?: z.core.$ZodType } => 'file' in content;
/** What is answered is described as it travels: entries as they were kept, and fields may be added. */
const travelling = (shape: z.core.$ZodType) => z.toJSONSchema(shape, { io: 'input' }) as ZodOpenApiMediaTypeObject['schema'];
const bodyOf = (content: Content, told: (shape: z.core.$ZodType) => ZodOpenApiMediaTypeObject['schema']) =>
  isFile(content)
    ? { [content.file]: { schema: content.shape ? told(content.shape) : ({ type: 'string' } as const) } }
    : { 'application/json': { schema: told(content) } };

function operation(path: string, { summary, query = [], must = [], takes, answers }: Call): ZodOpenApiOperationObject {
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({ name: name as string, in: 'path', required: true, schema: text }) as const);
  const inQuery = [...must, ...query].map((name) => ({ name, in: 'query', required: must.includes(name), schema: text }) as const);
  const refusals = {
    ...(takes ? { '400': problem, '413': problem } : {}),
    ...(takes || inQuery.length > 0 ? { '422': problem } : {}),
    ...(inPath.length > 0 ? { '404': problem } : {}),
  };
  return {
    summary,
    parameters: [...inPath, ...inQuery],
    ...(takes ? { requestBody: { required: true, content: bodyOf(takes, (shape) => shape as z.ZodType) } } : {}),
    responses: { '200': { description: summary, content: bodyOf(answers, travelling) }, ...refusals, '503': problem },
  };
}

export function openapi(): object {
  const paths: ZodOpenApiPathsObject = Object.fromEntries(
    Object.entries(CALLS).map(([path, calls]) => [
      `/api/v1${path}`,
      Object.fromEntries(Object.entries(calls).map(([method, call]) => [method, operation(path, call as Call)])),
    ]),
  );
  return createDocument({
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
  });
}
