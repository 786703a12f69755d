/** `npm run gauge`: the simulated pressure gauge as a process of its own. */
import { parseArgs } from 'node:util';
import { SCENARIOS } from './scenarios.ts';
import { startLogger } from './serve.ts';

const { values } = parseArgs({
  options: {
    tcp: { type: 'string', default: '4871' },
    http: { type: 'string', default: '4872' },
    speed: { type: 'string', default: '1' },
    child: { type: 'boolean' },
  },
});
const [tcpPort, httpPort, speed] = [values.tcp, values.http, values.speed].map(Number) as [number, number, number];
try {
  const gauge = await startLogger({ tcpPort, httpPort, speed });
  console.log(`Gauge: lines of JSON on 127.0.0.1:${gauge.tcpPort}, events on http://127.0.0.1:${gauge.httpPort}/stream?scenario=ID`);
  for (const { id, name } of SCENARIOS) console.log(`  ${id.padEnd(16)} ${name}`);
  // Whoever started it is gone, however that came.
  if (values.child) process.stdin.resume().on('end', () => process.exit(0));
  process.once('SIGINT', () => gauge.close().then(() => process.exit(0)));
  process.once('SIGTERM', () => gauge.close().then(() => process.exit(0)));
} catch (error) {
  console.error(`The gauge does not start: ${(error as Error).message}. Give other ports with --tcp and --http.`);
  process.exit(1);
}
