import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { z } from 'zod';
import { EndCodeError, InputError } from '../../../core/errors.ts';
import { DatabaseLostError } from '../../../store/database/connection.ts';
import { BusyError, OtherProgramError } from '../../../store/database/shop-transaction.ts';
import { ImportError } from '../../../store/files/import-error.ts';
import { answerOf } from './faults.ts';
import { guard, readBody, TooLargeError } from './guard.ts';

const request = (method: string, headers: Record<string, string>, body?: string) =>
  new Request('http://127.0.0.1:4880/api/v1/entries', { method, headers, body });

describe('who may ask, and who may write', () => {
  const host = '127.0.0.1:4880';
  const cases: [string, string, Record<string, string>, number | null][] = [
    ['a page of ours reads', 'GET', { host }, null],
    ['a page of ours writes', 'POST', { host, origin: `http://${host}`, 'sec-fetch-site': 'same-origin' }, null],
    ['a script without a page writes', 'POST', { host }, null],
    ['another site writes', 'POST', { host, origin: 'http://elsewhere.example' }, 403],
    ['another site writes without an origin', 'POST', { host, 'sec-fetch-site': 'cross-site' }, 403],
    ['a page of another port writes', 'POST', { host, origin: 'http://127.0.0.1:9999' }, 403],
    ['a sandboxed page writes', 'POST', { host, origin: 'null' }, 403],
    ['a foreign name reads', 'GET', { host: 'elsewhere.example' }, 421],
    ['a foreign name that begins like ours', 'GET', { host: '127.0.0.1.elsewhere.example' }, 421],
    ['localhost', 'GET', { host: 'localhost:4880' }, null],
    ['loopback of the sixth version', 'GET', { host: '[::1]:4880' }, null],
  ];
  for (const [who, method, headers, status] of cases) it(who, () => assert.equal(guard(request(method, headers))?.status ?? null, status));
});

describe('bodies', () => {
  it('are read up to their limit and no further', async () => {
    assert.equal(await readBody(request('POST', {}, 'x'.repeat(100)), 100), 'x'.repeat(100));
    await assert.rejects(readBody(request('POST', {}, 'x'.repeat(101)), 100), TooLargeError);
  });
});

describe('errors as answers', () => {
  const zod = z.object({ k: z.number() }).safeParse({ k: 'x' }).error;
  const cases: [string, unknown, number][] = [
    ['end code', new EndCodeError('x', 0, ['comp']), 422],
    ['input', new InputError('diameter', -1, 'Give more.'), 422],
    ['shape', zod, 422],
    ['not JSON', new SyntaxError('x'), 400],
    ['too large', new TooLargeError(1000), 413],
    ['import', new ImportError('line 3', 'this is not JSON.'), 422],
    ['another program derives', new OtherProgramError(), 503],
    ['too many at once', new BusyError(null), 503],
    ['a deadlock', Object.assign(new Error('x'), { code: '40P01' }), 503],
    ['the disk is full', Object.assign(new Error('x'), { code: '53100' }), 507],
    ['database lost', new DatabaseLostError(null), 503],
    ['connection refused', Object.assign(new Error('x'), { code: 'ECONNREFUSED' }), 503],
  ];
  for (const [what, error, status] of cases) {
    it(what, async () => {
      const answer = answerOf(error);
      assert.equal(answer.status, status);
      assert.equal(answer.headers.get('content-type'), 'application/problem+json');
      const body = (await answer.json()) as { detail: string; type: string };
      assert.ok(body.detail.length > 5 && body.type.startsWith('/problems/'));
    });
  }
});
