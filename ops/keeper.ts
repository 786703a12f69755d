/** Keeps the server and its database up: what dies is started again, within a limit, and said. */
import { type ChildProcess, spawn } from 'node:child_process';
import { writeAnew } from '../store/database/index.ts';
import type { Cluster } from './cluster.ts';
import type { FolderLock } from './folder-lock.ts';

/** What dies so soon after its start, so many times one after another, will not live: it is given up. What lived longer begins the count anew. */
const MOST_EARLY_DEATHS = 16;
const EARLY_MS = 1500;
/** Before it is started again, ms; longer each time that it died early. */
const PAUSE_MS = 200;
const LOOK_MS = 500;
/** How often it is looked whether something is to be tidied up, ms. */
const TIDY_MS = 3_600_000;
/** How long the server has to end what it is at, ms. */
const GRACE_MS = 10_000;

export class Keeper {
  private server: ChildProcess | null = null;
  private stopping = false;
  private readonly serving: Death = { name: 'server', startedMs: 0, early: 0 };
  private readonly database: Death = { name: 'database', startedMs: 0, early: 0 };
  private watch: NodeJS.Timeout | null = null;
  private tidying: NodeJS.Timeout | null = null;

  constructor(
    private readonly url: string,
    private readonly port: number,
    /** null where the database is somebody else's to keep up. */
    private readonly cluster: Cluster | null,
    /** null where the folder is somebody else's. */
    private readonly lock: FolderLock | null = null,
  ) {}

  begin(): void {
    this.serve();
    this.tidying = setInterval(() => this.tidy(), TIDY_MS);
    if (this.cluster) this.watch = setInterval(() => this.tendDatabase(this.cluster!), LOOK_MS);
  }

  stop(code: number): void {
    if (this.stopping) return;
    this.stopping = true;
    if (this.watch) clearInterval(this.watch);
    if (this.tidying) clearInterval(this.tidying);
    const end = () => {
      try {
        this.cluster?.stop();
      } catch (error) {
        console.error((error as Error).message);
      }
      this.lock?.release();
      process.exit(code);
    };
    const { server } = this;
    if (!server || server.exitCode !== null || server.signalCode !== null) {
      end();
      return;
    }
    server.once('exit', end);
    server.kill('SIGTERM');
    // A heavy request may be on.
    setTimeout(() => server.kill('SIGKILL'), GRACE_MS);
  }

  private serve(): void {
    this.serving.startedMs = Date.now();
    const env = {
      ...process.env,
      HOST: '127.0.0.1',
      PORT: String(this.port),
      DATABASE_URL: this.url,
      BRASS_NUT_ROOT: process.cwd(),
      BRASS_NUT_KEPT: '1',
    };
    this.server = spawn(process.execPath, ['--import', 'tsx', 'ops/server.ts'], { stdio: ['pipe', 'ignore', 'inherit'], env });
    // When this process is gone the pipe ends, and the server with it.
    this.server.stdin?.on('error', () => {});
    this.lock?.serves(this.server.pid ?? null);
    this.server.once('exit', () => {
      if (this.stopping || !this.survives(this.serving)) return;
      setTimeout(() => !this.stopping && this.serve(), PAUSE_MS * (1 + this.serving.early));
    });
  }

  private tidy(): void {
    // The next look comes in an hour.
    writeAnew(this.url, false).catch((error) => console.error((error as Error).message));
  }

  private tendDatabase(cluster: Cluster): void {
    if (this.stopping || cluster.isUp()) return;
    if (!this.survives(this.database)) return;
    try {
      cluster.restart();
    } catch (error) {
      // It may be on its way down still: looked at again in a moment.
      console.error((error as Error).message);
    }
  }

  /** Says what died, and whether it is started again. */
  private survives(what: Death): boolean {
    what.early = Date.now() - what.startedMs < EARLY_MS ? what.early + 1 : 0;
    what.startedMs = Date.now();
    const again = what.early < MOST_EARLY_DEATHS;
    console.error(
      `The ${what.name} stopped by itself. ${again ? 'It is started again.' : `It does so at once each time, ${what.early} times now: given up.`}`,
    );
    if (!again) this.stop(1);
    return again;
  }
}

/** How often something died right after its start. */
interface Death {
  name: string;
  startedMs: number;
  early: number;
}
