/** One start at a time for a database folder: who holds it is written beside it, and what a start that died left running is ended by the next. */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { SetupError } from './cluster.ts';

interface Holder {
  /** The start itself. */
  pid: number;
  /** The server that it keeps up; null while there is none. */
  serverPid: number | null;
  port: number;
}

/** How long a process has to end by itself, ms. */
const GRACE_MS = 10_000;

export interface FolderLock {
  /** Writes down which server is kept up. */
  serves: (serverPid: number | null) => void;
  release: () => void;
}

const pathOf = (folder: string): string => `${folder.replace(/\/+$/, '')}.lock`;

/**
 * @param graceMs how long a server that was left has to end by itself
 * @throws SetupError naming who holds the folder
 */
export async function lockFolder(folder: string, port: number, graceMs = GRACE_MS): Promise<FolderLock> {
  const path = pathOf(folder);
  const own: Holder = { pid: process.pid, serverPid: null, port };
  for (let tries = 0; !created(path, own); tries++) {
    const holder = read(path);
    if (holder && isOurs(holder.pid, 'ops/start.ts')) {
      const where = `http://127.0.0.1:${holder.port}/`;
      throw new SetupError(
        `The database in ${folder} is in use by the Brass Nut at ${where} (process ${holder.pid}). Stop it there first, or take another folder with --data.`,
      );
    }
    if (holder?.serverPid && isOurs(holder.serverPid, 'ops/server.ts')) await end(holder.serverPid, graceMs);
    if (tries > 3) throw new SetupError(`${path} cannot be taken over. Remove it if no Brass Nut of this folder runs.`);
    rmSync(path, { force: true });
  }
  return {
    serves: (serverPid) => writeFileSync(path, JSON.stringify({ ...own, serverPid })),
    release: () => {
      if (read(path)?.pid === process.pid) rmSync(path, { force: true });
    },
  };
}

function created(path: string, holder: Holder): boolean {
  try {
    // On a new machine there is nothing yet, and the database's own user has to reach what comes to lie there.
    mkdirSync(dirname(path), { recursive: true, mode: 0o755 });
    writeFileSync(path, JSON.stringify(holder), { flag: 'wx', mode: 0o600 });
    return true;
  } catch (error) {
    const { code } = error as { code?: string };
    if (code === 'EEXIST') return false;
    if (code === 'ENOENT' || code === 'EACCES') throw new SetupError(`${path} cannot be written. Choose another folder with --data.`);
    throw error;
  }
}

function read(path: string): Holder | null {
  try {
    const holder = JSON.parse(readFileSync(path, 'utf8')) as Holder;
    return Number.isInteger(holder.pid) ? holder : null;
  } catch {
    return null;
  }
}

/** Whether a process lives and is the program that wrote its number down: another may have got it since. */
function isOurs(pid: number, script: string): boolean {
  if (pid === process.pid) return false;
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').includes(script);
  } catch {
    return false;
  }
}

/** Ends a process, by force where it does not go by itself. */
async function end(pid: number, graceMs: number): Promise<void> {
  const lives = () => isOurs(pid, 'ops/server.ts');
  send(pid, 'SIGTERM');
  for (let waited = 0; lives() && waited < graceMs; waited += 100) await wait(100);
  if (lives()) send(pid, 'SIGKILL');
  for (let waited = 0; lives() && waited < 2000; waited += 50) await wait(50);
}

function send(pid: number, signal: NodeJS.Signals): void {
  try {
    process.kill(pid, signal);
  } catch {
    // It is gone already.
  }
}
