import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import { createServer as createHttpServer } from 'node:http';
import { createServer, type Server } from 'node:net';
import { after, before, describe, it } from 'node:test';
import { checkoutId } from './checkout.ts';

/** Runs the start command as far as it comes; what it said and its exit code. */
function start(args: string[], env: Record<string, string> = {}): Promise<{ code: number | null; said: string }> {
  return new Promise((done) => {
    const child = spawn(process.execPath, ['--import', 'tsx', 'ops/start.ts', ...args], { env: { ...process.env, ...env } });
    let said = '';
    child.stdout.on('data', (text) => {
      said += text;
    });
    child.stderr.on('data', (text) => {
      said += text;
    });
    child.once('exit', (code) => done({ code, said }));
  });
}

describe('the start command, when something is wrong', () => {
  let holder: Server;
  let held = 0;
  before(async () => {
    holder = createServer((socket) => socket.destroy());
    await new Promise<void>((up) => holder.listen(0, '127.0.0.1', up));
    held = (holder.address() as { port: number }).port;
  });
  after(() => holder.close());

  const oneLine = (said: string) => said.trim().split('\n').length;

  it('says what a port may be', async () => {
    const { code, said } = await start(['--port', 'many']);
    assert.equal(code, 1);
    assert.match(said, /--port many is not a port/);
    assert.equal(oneLine(said), 1);
  });
  it('names an option it does not know, and where to look', async () => {
    const { code, said } = await start(['--loud']);
    assert.equal(code, 1);
    assert.match(said, /'--loud'.*--help/);
  });
  it('says who holds the port', async () => {
    const { code, said } = await start(['--port', String(held)]);
    assert.equal(code, 1);
    assert.match(said, new RegExp(`Port ${held} is held by .+ --port`));
    assert.equal(oneLine(said), 1);
  });
  it('names the folder of another checkout that holds the port', async () => {
    const other = createHttpServer((_, response) => response.end('{"name":"brass-nut","checkout":"0000000000000000"}'));
    await new Promise<void>((up) => other.listen(0, '127.0.0.1', up));
    const { port } = other.address() as { port: number };
    const { code, said } = await start(['--port', String(port)]);
    other.close();
    assert.equal(code, 1);
    assert.match(said, new RegExp(`Port ${port} is held by the Brass Nut of (?:${process.cwd()}|another folder)\\. Stop it there.*--port`));
    assert.equal(oneLine(said), 1);
  });
  it('says that it runs already where it is of this checkout', async () => {
    const own = createHttpServer((_, response) => response.end(`{"name":"brass-nut","checkout":"${checkoutId(process.cwd())}"}`));
    await new Promise<void>((up) => own.listen(0, '127.0.0.1', up));
    const { port } = own.address() as { port: number };
    const { code, said } = await start(['--port', String(port)]);
    own.close();
    assert.deepEqual([code, said.trim()], [0, `Brass Nut runs already: http://127.0.0.1:${port}/`]);
  });
  it('says that a database given does not answer', async () => {
    const { code, said } = await start(['--port', '4999'], { DATABASE_URL: `postgres://nobody@127.0.0.1:1/none` });
    assert.equal(code, 1);
    assert.match(said, /ECONNREFUSED.*Is the database in DATABASE_URL running\?/);
    assert.equal(oneLine(said), 1);
  });
});
