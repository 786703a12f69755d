import { EndCodeError } from '../errors.ts';
import { type Thread, type ThreadFamily, threads } from './tables/threads.ts';
import { type Tube, tubeEnds, tubeSize } from './tables/tubes.ts';

/** One open side of a part, written in its one canonical spelling: 'comp-3/8-m', 'cu-5/8od', 'bc-7/8-m:metal'. */
export type EndCode = string;

export type SocketFamily = 'ptc' | 'cup' | 'crimp' | 'expand' | 'nose';
export type EndFamily = ThreadFamily | SocketFamily | 'cu' | 'pex' | 'cpvc' | 'pe' | 'pb' | 'steel';
export type EndMaterial = 'metal' | 'plastic';

interface Common {
  code: EndCode;
  family: EndFamily;
  /** The size as its code writes it: '3/8', '10x1', '5/8'. */
  size: string;
}

/** A threaded end; a female of any family but npt is a swivel nut that brings its own seal. */
export interface ThreadEnd extends Common {
  kind: 'thread';
  family: ThreadFamily;
  gender: 'm' | 'f';
  thread: Thread;
  material: EndMaterial;
}

/** A plain tube or pipe end. */
export interface TubeEnd extends Common {
  kind: 'tube';
  tube: Tube;
}

/** What takes, or is pushed into, a tube of one outside diameter: push socket, solder cup, barb; or a riser's nose. */
export interface SocketEnd extends Common {
  kind: 'socket';
  family: SocketFamily;
  odIn: number;
  material: EndMaterial;
}

export type End = ThreadEnd | TubeEnd | SocketEnd;

interface Shape {
  end: End;
  /** Spellings without a material suffix that belong to this end's family and size. */
  usual: EndMaterial | null;
}

const THREAD_FAMILIES: ThreadFamily[] = ['comp', 'flare', 'npt', 'npsm', 'bc', 'ght', 'aer', 'g', 'm'];
const SOCKET_FAMILIES: SocketFamily[] = ['ptc', 'cup', 'crimp', 'expand', 'nose'];
const odSizes = (tubes: readonly Tube[]) => [...new Set(tubes.filter((t) => t.id.endsWith('od')).map((t) => tubeSize(t)))];
const ofMaterial = (...materials: string[]) => tubeEnds.filter((t) => materials.includes(t.material));

const SOCKET_SIZES: Record<SocketFamily, string[]> = {
  ptc: odSizes(tubeEnds),
  cup: odSizes(ofMaterial('copper')),
  // No barb is made for tube that has no nominal size.
  crimp: odSizes(ofMaterial('pex').filter((t) => t.nominalIn)),
  expand: odSizes(ofMaterial('pex').filter((t) => t.nominalIn)),
  nose: ['3/8', '7/16', '1/2'],
};

/** The material an end has unless its code says otherwise: ballcock shanks and small push sockets are plastic, all else metal. */
function usualMaterial(family: EndFamily, odIn?: number): EndMaterial {
  if (family === 'bc') return 'plastic';
  if (family === 'ptc' && odIn !== undefined && odIn <= 0.375) return 'plastic';
  return 'metal';
}

function inches(size: string): number {
  const [top, bottom] = size.split('/').map(Number);
  return (top as number) / (bottom ?? 1);
}

function allShapes(): Map<EndCode, Shape> {
  const shapes = new Map<EndCode, Shape>();
  const both = (base: string, usual: EndMaterial, make: (code: EndCode, material: EndMaterial) => End) => {
    const other: EndMaterial = usual === 'metal' ? 'plastic' : 'metal';
    shapes.set(base, { end: make(base, usual), usual });
    shapes.set(`${base}:${other}`, { end: make(`${base}:${other}`, other), usual });
  };
  for (const thread of threads) {
    const size = thread.id.slice(thread.family.length + 1);
    for (const gender of ['m', 'f'] as const) {
      both(`${thread.id}-${gender}`, usualMaterial(thread.family), (code, material) => ({
        kind: 'thread',
        code,
        family: thread.family,
        size,
        gender,
        thread,
        material,
      }));
    }
  }
  for (const tube of tubeEnds) {
    const family = tube.id.slice(0, tube.id.indexOf('-')) as EndFamily;
    shapes.set(tube.id, { end: { kind: 'tube', code: tube.id, family, size: tubeSize(tube), tube }, usual: null });
  }
  for (const family of SOCKET_FAMILIES) {
    for (const size of SOCKET_SIZES[family]) {
      const base = `${family}-${size}od`;
      const make = (code: EndCode, material: EndMaterial): End => ({
        kind: 'socket',
        code,
        family,
        size,
        odIn: inches(size),
        material,
      });
      if (family === 'cup') shapes.set(base, { end: make(base, 'metal'), usual: null });
      else both(base, usualMaterial(family, inches(size)), make);
    }
  }
  return shapes;
}

const shapes = allShapes();

/** Every end there is, in the order of the tables: threads, tubes, sockets. */
export const allEndCodes: readonly EndCode[] = [...shapes.keys()];

/**
 * Reads an end code, strictly.
 *
 * @param code lower case, one spelling an end: a size that exists, ':plastic' or ':metal' only where it is not the usual material
 * @throws EndCodeError with the place of the first wrong character and what would be right there
 */
export function parseEnd(code: EndCode): End {
  const shape = typeof code === 'string' ? shapes.get(code) : undefined;
  if (shape) return shape.end;
  throw explain(typeof code === 'string' ? code : String(code));
}

export function isEndCode(code: string): boolean {
  return shapes.has(code);
}

/** Finds the first character at which no end code goes on as `code` does, and what could stand there. */
function explain(code: string): EndCodeError {
  const dash = code.indexOf('-');
  const families = [...new Set([...shapes.values()].map((s) => s.end.family))];
  const family = dash < 0 ? code : code.slice(0, dash);
  if (!families.includes(family as EndFamily)) return new EndCodeError(code, 0, families);
  if (dash < 0) return new EndCodeError(code, code.length, ['-']);
  const known = [...shapes.values()].filter((s) => s.end.family === family);
  const rest = code.slice(dash + 1);
  const sizes = [...new Set(known.map((s) => sizeText(s.end)))];
  const size = sizes.filter((s) => rest === s || rest.startsWith(`${s}-`) || rest.startsWith(`${s}:`)).sort(longest)[0];
  const afterFamily = dash + 1;
  if (size === undefined) return new EndCodeError(code, afterFamily + shared(rest, sizes), sizes);
  let at = afterFamily + size.length;
  const tail = code.slice(at);
  const threaded = THREAD_FAMILIES.includes(family as ThreadFamily);
  if (threaded && !/^-[mf](?::|$)/.test(tail)) {
    if (/^-[mf]/.test(tail)) return new EndCodeError(code, at + 2, ['', ':plastic', ':metal']);
    return new EndCodeError(code, at, ['-m', '-f']);
  }
  if (threaded) at += 2;
  const base = code.slice(0, at);
  const suffixes = allEndCodes.filter((c) => c === base || c.startsWith(`${base}:`)).map((c) => c.slice(base.length));
  return new EndCodeError(code, at, suffixes);
}

const longest = (a: string, b: string) => b.length - a.length;

/** The size as it stands in the code between family and gender: '3/8', '5/8od', '1/2ips'. */
function sizeText(end: End): string {
  if (end.kind === 'thread') return end.size;
  return end.code.slice(end.family.length + 1).replace(/:.*$/, '');
}

/** How far `text` goes along with the best of `words`. */
function shared(text: string, words: string[]): number {
  let most = 0;
  for (const word of words) {
    let n = 0;
    while (n < word.length && word[n] === text[n]) n++;
    most = Math.max(most, n);
  }
  return most;
}
