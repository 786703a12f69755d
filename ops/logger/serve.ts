/**
 * A pressure gauge that logs, simulated: a process of its own. It speaks newline-delimited JSON over TCP, and the same as server-sent events over HTTP.
 *
 * Every connection hangs on a shut line of its own. What it says: { "line": { id, scenario, gaugeSigmaPsi } } once, then { "reading": { minutes, psi,
 * tempF } } again and again, { "lost": minutes } for one that never came, { "letOut": { ml, psiBefore, psiAfter } } when that was asked. What it is told
 * over TCP, a line each: { "scenario": id } to hang on another line, { "letOut": ml }. Over HTTP: GET /lines, GET /stream?scenario=ID&speed=N, POST /lines/ID/let-out
 * with { "ml": N }.
 */
import { createServer as createHttp, type IncomingMessage, type ServerResponse } from 'node:http';
import { type AddressInfo, createServer as createTcp, type Server, type Socket } from 'node:net';
import { chance } from '../../store/seed/index.ts';
import { SCENARIOS, type Scenario, scenarioById } from './scenarios.ts';
import { ShutLine } from './shut-line.ts';

export interface LoggerOptions {
  /** 0: any free port. */
  tcpPort: number;
  httpPort: number;
  seed?: number;
  /** Readings a second; 50 unless given. */
  perSecond?: number;
  /** How much faster than the clock the line lives; 1 unless given. */
  speed?: number;
}

export interface Logger {
  tcpPort: number;
  httpPort: number;
  close: () => Promise<void>;
}

/** No line of what it is told is longer, characters. */
const MOST_TOLD = 1000;
const MOST_SPEED = 3600;
/** A millilitre is let out in so many of its seconds. */
const SETTLE_MIN = 0.1;

type Say = (message: object) => void;

/** A line under a gauge, read again and again until it is taken off. */
class Hung {
  line: ShutLine;
  readonly id: string;
  #timer: NodeJS.Timeout;
  #count = 0;

  constructor(
    readonly say: Say,
    scenario: Scenario,
    id: number,
    readonly options: Required<Pick<LoggerOptions, 'perSecond' | 'speed' | 'seed'>>,
  ) {
    this.id = String(id);
    this.line = this.#hang(scenario);
    const { perSecond, speed } = options;
    this.#timer = setInterval(() => {
      this.line.pass(speed / perSecond / 60);
      const reading = this.line.read();
      this.say(reading ? { reading } : { lost: Number(this.line.minutes.toFixed(5)) });
    }, 1000 / perSecond);
  }

  #hang(scenario: Scenario): ShutLine {
    this.#count += 1;
    const line = new ShutLine(scenario, chance(this.options.seed + Number(this.id) * 1000 + this.#count));
    this.say({ line: { id: this.id, scenario: scenario.id, name: scenario.name, gaugeSigmaPsi: scenario.gaugeSigmaPsi } });
    return line;
  }

  hang(scenario: Scenario): void {
    this.line = this.#hang(scenario);
  }

  /** Reads, lets out, waits for it to settle, reads. */
  letOut(ml: number): object {
    const before = this.line.read() ?? this.line.read();
    this.line.letOut(ml);
    this.line.pass(SETTLE_MIN);
    const after = this.line.read() ?? this.line.read();
    const message =
      before && after ? { letOut: { ml, psiBefore: before.psi, psiAfter: after.psi } } : { fault: 'The gauge lost its reading: let out again.' };
    this.say(message);
    return message;
  }

  takeOff(): void {
    clearInterval(this.#timer);
  }
}

const volume = (ml: unknown): number | null => (typeof ml === 'number' && ml > 0 && ml <= 1000 ? ml : null);

/** Does what a line of JSON says; faults are answered in words. */
function obey(hung: Hung, told: string): void {
  let message: { scenario?: unknown; letOut?: unknown };
  try {
    message = JSON.parse(told) ?? {};
  } catch {
    hung.say({ fault: 'That is no JSON.' });
    return;
  }
  const scenario = typeof message.scenario === 'string' ? scenarioById(message.scenario) : undefined;
  const ml = volume(message.letOut);
  if (scenario) hung.hang(scenario);
  else if (ml !== null) hung.letOut(ml);
  else hung.say({ fault: `Say a scenario (${SCENARIOS.map((s) => s.id).join(', ')}), or letOut with 1 to 1000 mL.` });
}

/** Starts both doors on loopback. */
export async function startLogger(options: LoggerOptions): Promise<Logger> {
  const { seed = 1, perSecond = 50, speed = 1 } = options;
  const hungs = new Map<string, Hung>();
  let count = 0;
  const hang = (say: Say, scenario: Scenario, own = speed) => {
    count += 1;
    const hung = new Hung(say, scenario, count, { seed, perSecond, speed: own });
    hungs.set(hung.id, hung);
    return hung;
  };
  const takeOff = (hung: Hung) => {
    hung.takeOff();
    hungs.delete(hung.id);
  };
  const tcp = createTcp((socket) => overTcp(socket, (say) => hang(say, SCENARIOS[0]!), takeOff));
  const http = createHttp((request, response) => {
    const url = new URL(request.url ?? '/', 'http://gauge');
    if (request.method === 'GET' && url.pathname === '/lines')
      return answer(response, 200, { lines: SCENARIOS.map(({ id, name }) => ({ id, name })) });
    if (request.method === 'GET' && url.pathname === '/stream') return stream(url, response, hang, takeOff);
    const of = /^\/lines\/(\d+)\/let-out$/.exec(url.pathname);
    if (request.method === 'POST' && of) return void letOut(request, response, hungs.get(of[1]!));
    answer(response, 404, { fault: 'GET /lines, GET /stream?scenario=ID, or POST /lines/ID/let-out.' });
  });
  await Promise.all([listening(tcp, options.tcpPort), listening(http, options.httpPort)]);
  return {
    tcpPort: (tcp.address() as AddressInfo).port,
    httpPort: (http.address() as AddressInfo).port,
    close: async () => {
      for (const hung of hungs.values()) hung.takeOff();
      http.closeAllConnections();
      await Promise.all([tcp, http].map((server) => new Promise<void>((done) => server.close(() => done()))));
    },
  };
}

const listening = (server: Server, port: number): Promise<void> =>
  new Promise((done, failed) => server.once('error', failed).listen(port, '127.0.0.1', () => done()));

function overTcp(socket: Socket, hang: (say: Say) => Hung, takeOff: (hung: Hung) => void): void {
  // A reader that does not keep up misses readings, as it would with a real gauge: memory stays bounded.
  const hung = hang((message) => void (socket.writableLength < 65_536 && socket.write(`${JSON.stringify(message)}\n`)));
  let rest = '';
  socket.setEncoding('utf8');
  socket.on('data', (text) => {
    const lines = (rest + text).split('\n');
    rest = lines.pop() ?? '';
    if (rest.length > MOST_TOLD) return void socket.destroy();
    for (const line of lines.filter((l) => l.trim() !== '')) obey(hung, line);
  });
  socket.on('error', () => socket.destroy());
  socket.on('close', () => takeOff(hung));
}

function stream(
  url: URL,
  response: ServerResponse,
  hang: (say: Say, scenario: Scenario, speed?: number) => Hung,
  takeOff: (hung: Hung) => void,
): void {
  const scenario = scenarioById(url.searchParams.get('scenario') ?? SCENARIOS[0]!.id);
  const speed = Number(url.searchParams.get('speed') ?? Number.NaN);
  if (!scenario) {
    answer(response, 404, { fault: `There is no such line. Take one of ${SCENARIOS.map((s) => s.id).join(', ')}.` });
    return;
  }
  response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store' });
  const say: Say = (message) => void (response.writableLength < 65_536 && response.write(`data: ${JSON.stringify(message)}\n\n`));
  const hung = hang(say, scenario, speed >= 1 && speed <= MOST_SPEED ? speed : undefined);
  response.on('close', () => takeOff(hung));
}

async function letOut(request: IncomingMessage, response: ServerResponse, hung: Hung | undefined): Promise<void> {
  if (!hung) return answer(response, 404, { fault: 'That line is not under the gauge any more.' });
  let body = '';
  for await (const part of request) {
    body += part;
    if (body.length > MOST_TOLD) return answer(response, 413, { fault: 'Too long.' });
  }
  let told: { ml?: unknown } | null = null;
  try {
    told = JSON.parse(body);
  } catch {
    // Said below.
  }
  const ml = volume(told?.ml);
  if (ml === null) return answer(response, 422, { fault: 'Say ml: more than 0, to 1000.' });
  answer(response, 200, hung.letOut(ml));
}

function answer(response: ServerResponse, status: number, body: object): void {
  response.writeHead(status, { 'content-type': 'application/json' });
  response.end(JSON.stringify(body));
}
