/** A house of the browser tests' own: a database, and servers on it that can be killed and started again. */
import { type ChildProcess, spawn } from 'node:child_process';
import { freePort } from '../ops/cluster.ts';

export interface Served {
  address: string;
  pid: number;
  kill: () => Promise<void>;
}

export async function startServer(databaseUrl: string, env: Record<string, string> = {}, port?: number): Promise<Served> {
  const at = port ?? (await freePort());
  const child: ChildProcess = spawn(process.execPath, ['--import', 'tsx', 'ops/server.ts'], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, HOST: '127.0.0.1', PORT: String(at), DATABASE_URL: databaseUrl, BRASS_NUT_ROOT: process.cwd(), ...env },
  });
  const address = `http://127.0.0.1:${at}`;
  for (let tries = 0; ; tries++) {
    const up = await fetch(`${address}/api/v1/health`).then(
      (r) => r.ok,
      () => false,
    );
    if (up) break;
    if (tries > 900) throw new Error('The server did not come up.');
    await new Promise((wake) => setTimeout(wake, 100));
  }
  return {
    address,
    pid: child.pid!,
    kill: () =>
      new Promise((done) => {
        child.once('exit', () => done());
        child.kill('SIGKILL');
      }),
  };
}
