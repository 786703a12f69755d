import assert from 'node:assert/strict';
import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, it } from 'node:test';
import { SetupError } from './cluster.ts';
import { lockFolder } from './folder-lock.ts';

let home: string;
let folder: string;
const children: ChildProcess[] = [];
beforeEach(() => {
  home = mkdtempSync(join(tmpdir(), 'folder-lock-'));
  folder = join(home, 'data');
});
afterEach(() => {
  for (const child of children.splice(0)) child.kill('SIGKILL');
  rmSync(home, { recursive: true });
});

/** A process that looks like one of the program's; it leaves only by force. */
async function running(script: string): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['-e', "process.on('SIGTERM', () => {}); console.log('up'); setInterval(() => {}, 1000)", script]);
  children.push(child);
  await new Promise((up) => child.stdout.once('data', up));
  return child;
}
const heldBy = (pid: number, serverPid: number | null) => writeFileSync(`${folder}.lock`, JSON.stringify({ pid, serverPid, port: 4880 }));

describe('a database folder', () => {
  it('is held by one start, which says by whom', async () => {
    const { pid } = await running('ops/start.ts');
    heldBy(pid!, null);
    await assert.rejects(lockFolder(folder, 4881), (error: Error) => {
      assert.ok(error instanceof SetupError);
      assert.match(error.message, new RegExp(`in use by the Brass Nut at http://127.0.0.1:4880/ \\(process ${pid}\\)`));
      return true;
    });
  });
  it('is held though its place was never made', async () => {
    const lock = await lockFolder(join(home, 'of', 'a', 'new', 'machine'), 4881);
    assert.equal(existsSync(join(home, 'of', 'a', 'new', 'machine.lock')), true);
    lock.release();
  });
  it('is taken over from a start that died, whose number another program may have', async () => {
    const { pid } = await running('something-else.ts');
    heldBy(pid!, null);
    const lock = await lockFolder(folder, 4881);
    assert.equal(JSON.parse(readFileSync(`${folder}.lock`, 'utf8')).pid, process.pid);
    lock.release();
    assert.equal(existsSync(`${folder}.lock`), false);
  });
  it('has the server ended that a dead start left, by force where it does not go', async () => {
    const server = await running('ops/server.ts');
    heldBy(999_999_999, server.pid!);
    const gone = new Promise((done) => server.once('exit', (_, signal) => done(signal)));
    const lock = await lockFolder(folder, 4881, 300);
    assert.equal(await gone, 'SIGKILL');
    lock.release();
  });
});
