import { writeFraction } from '../units/index.ts';
import { type End, type EndCode, parseEnd, type SocketEnd, type ThreadEnd, type TubeEnd } from './code.ts';

/** The nominal name that copper, CPVC and PEX of an outside diameter go by in the shop. */
const NOMINAL_OF_OD: Record<string, string> = { '1/2': '3/8', '5/8': '1/2', '7/8': '3/4' };

/** How a part size names both measures: '5/8 in OD (1/2 nominal)'; small appliance tube goes by its outside alone. */
function odName(size: string): string {
  const nominal = NOMINAL_OF_OD[size];
  return `${size} in OD${nominal ? ` (${nominal} nominal)` : ''}`;
}

/** '9/16-24': the male thread's major diameter and its threads per inch. */
export function threadSpec(end: ThreadEnd): string {
  const known = specs.get(end.thread.id) ?? specOf(end);
  specs.set(end.thread.id, known);
  return known;
}

const specs = new Map<string, string>();

function specOf(end: ThreadEnd): string {
  const { externalMajorIn, threadsPerIn, family } = end.thread;
  if (family === 'm') return `M${end.size.replace('x', ' x ')} mm`;
  return `${writeFraction(externalMajorIn)}-${writeFraction(threadsPerIn, 2)}`;
}

/**
 * What an end is in words, with both the nominal size and the outside diameter where they differ.
 *
 * @example endLabel('comp-3/8-m') // '3/8 in OD compression, male (9/16-24)'
 * @throws EndCodeError for a code that does not read
 */
export function endLabel(end: End | EndCode): string {
  const e = typeof end === 'string' ? parseEnd(end) : end;
  return e.kind === 'thread' ? threadLabel(e, true) : endName(e);
}

/**
 * An end's name as a field or a list shows it: its label without the thread's figures.
 *
 * @example endName('comp-3/8-m') // '3/8 in OD compression, male'
 * @throws EndCodeError for a code that does not read
 */
export function endName(end: End | EndCode): string {
  const e = typeof end === 'string' ? parseEnd(end) : end;
  if (e.kind === 'thread') return threadLabel(e, false);
  return e.kind === 'tube' ? tubeLabel(e) : socketLabel(e);
}

const THREAD_NAMES: Record<ThreadEnd['family'], (e: ThreadEnd) => string> = {
  comp: (e) => `${comp(e)} compression`,
  flare: (e) => `${odName(e.size)} flare`,
  npt: (e) => `${e.size} in nominal taper pipe`,
  npsm: (e) => `${e.size} in nominal straight pipe`,
  bc: (e) => `${e.size} in ballcock`,
  ght: (e) => `${e.size} in hose thread`,
  aer: (e) => `${e.size} in aerator`,
  g: (e) => `G ${e.size} parallel pipe`,
  m: (e) => `M${e.size} metric`,
};

/** Compression of 3/8 and less is known by its outside alone; from 1/2 up it is confused with the nominal size, so both stand. */
function comp(e: ThreadEnd): string {
  return odName(e.size);
}

const TRADE_NAME: Partial<Record<ThreadEnd['family'], [male: string, female: string]>> = {
  npt: ['MIP', 'FIP'],
  npsm: ['MIPS', 'FIP swivel'],
};

function threadLabel(e: ThreadEnd, hasForm: boolean): string {
  const male = e.gender === 'm';
  const swivel = !male && !['npt', 'aer', 'flare'].includes(e.family);
  const trade = TRADE_NAME[e.family]?.[male ? 0 : 1];
  const form = `${trade ? `${e.size} ${trade}, ` : ''}${threadSpec(e)}`;
  const usual = e.family === 'bc' ? 'plastic' : 'metal';
  const made = e.material === usual ? '' : `, ${e.material}`;
  return `${THREAD_NAMES[e.family](e)}${swivel ? ' nut' : ''}, ${male ? 'male' : 'female'}${hasForm ? ` (${form})` : ''}${made}`;
}

const TUBE_NAMES: Record<string, string> = {
  copper: 'copper tube',
  pex: 'PEX tube',
  cpvc: 'CPVC tube',
  pe: 'polyethylene tube',
  polybutylene: 'polybutylene tube',
  steel: 'steel pipe',
};

function tubeLabel(e: TubeEnd): string {
  const { nominalIn, odIn, material } = e.tube;
  const od = e.code.endsWith('ips') ? `${odIn.toFixed(3)} in OD` : `${writeFraction(odIn)} in OD`;
  return nominalIn ? `${nominalIn} in nominal ${TUBE_NAMES[material]}, ${od}` : `${TUBE_NAMES[material]}, ${od}`;
}

const SOCKET_NAMES: Record<SocketEnd['family'], string> = {
  ptc: 'push-to-connect socket',
  cup: 'solder cup',
  crimp: 'crimp barb',
  expand: 'expansion barb',
  nose: 'riser nose',
};

function socketLabel(e: SocketEnd): string {
  const usual = e.family === 'ptc' && e.odIn <= 0.375 ? 'plastic' : 'metal';
  const made = e.material === usual ? '' : `, ${e.material}`;
  return `${SOCKET_NAMES[e.family]}, ${odName(e.size)}${made}`;
}
