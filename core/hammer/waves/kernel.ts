/** Where a transient's figures lie, and what moves them: compiled where the engine may, else as it stands in `loop.ts`. */
import { LAST_STEP, LEAST_STEP } from './friction-table.ts';
import { KERNEL_BYTES } from './kernel.table.ts';
import { advanceHere, breatheHere, renewHere } from './loop.ts';
import type { Pipe } from './pipe.ts';

/** What of the engine's compiler is used: every engine has it, no library of types without a page or a server says so. */
interface Engine {
  Module: new (bytes: Uint8Array) => object;
  Memory: new (of: { initial: number }) => { buffer: ArrayBuffer };
  Instance: new (module: object, imports: object) => { exports: Record<string, (...args: number[]) => number> };
}

export interface Kernel {
  /** So many figures, all nought. */
  take: (count: number) => Float64Array;
  /** Once its arrays are taken: writes down where they are. */
  lay: (pipe: Pipe) => void;
  /** A step of a pipe. @param marks of its inner nodes, how high and low they were. @returns twice the lowest pressure there, Pa */
  advance: (pipe: Pipe, marks: boolean) => number;
  /** Its friction by its flow of now. */
  renew: (pipe: Pipe) => void;
  /**
   * Lets the free gas of its inner nodes grow and shrink: near the vapour's pressure it swells to the gap in which the column parts, and closes again.
   *
   * @param vapourPa gauge
   * @returns the largest gas of a node, m3
   * @source discrete gas cavities: E. B. Wylie, J. Fluids Eng. 106 (1984) 307. Gaps lie at the nodes and not where they would: after one has closed the
   *         figures are a rough guide
   */
  breathe: (pipe: Pipe, vapourPa: number, dtS: number) => number;
  /** Its room may be another network's: what was taken of it is no more. */
  free: () => void;
}

const PAGE_BYTES = 65_536;
const MOST_SPARE = 2;

/** undefined: not tried yet; null: this place does not compile. */
let module: object | null | undefined;

function compiled(engine: Engine | undefined): object | null {
  if (module === undefined) {
    try {
      module = engine ? new engine.Module(bytesOf(KERNEL_BYTES)) : null;
    } catch {
      // A page whose policy forbids it: the plain loop gives the same figures.
      module = null;
    }
  }
  return module;
}

/** Base 64, by hand: neither a page's nor a server's way of it is known here. */
function bytesOf(text: string): Uint8Array {
  const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';
  const values = [...text.replace(/=+$/, '')].map((letter) => LETTERS.indexOf(letter));
  const out = new Uint8Array(Math.floor((values.length * 3) / 4));
  for (let i = 0; i < out.length; i++) {
    const bit = i * 8;
    const [at, off] = [Math.floor(bit / 6), bit % 6];
    out[i] = (((values[at]! << 6) | (values[at + 1] ?? 0)) >> (4 - off)) & 255;
  }
  return out;
}

/** Of a thread's networks that are done with: a compiled one is dear to begin, and a sweep has a hundred. */
const spare: { kernel: Kernel; figures: number; clear: () => void }[] = [];

/** A kernel for a network of so many figures in all. */
export function kernelFor(figures: number): Kernel {
  const found = spare.findIndex((s) => s.figures >= figures);
  if (found >= 0) {
    const [{ kernel, clear }] = spare.splice(found, 1) as [(typeof spare)[number]];
    clear();
    return kernel;
  }
  const engine = (globalThis as unknown as { WebAssembly?: Engine }).WebAssembly;
  const code = compiled(engine);
  return engine && code ? compiledKernel(engine, code, figures) : plainKernel;
}

export const plainKernel: Kernel = {
  take: (count) => new Float64Array(count),
  lay: () => {},
  advance: ({ n, right, left, nextRight, nextLeft, resist, high, low, scratch }, marks) =>
    advanceHere(n, right, left, nextRight, nextLeft, resist, marks ? high : scratch, marks ? low : scratch),
  renew: ({ n, right, left, resist, friction, perPa }) => renewHere(n, right, left, resist, friction, perPa),
  breathe: ({ n, z, nextRight, nextLeft, nextGas, freeGas, high, low }, vapourPa, dtS) =>
    breatheHere(n, nextRight, nextLeft, nextGas, high, low, 2 / z, vapourPa, freeGas, dtS),
  free: () => {},
};

/** Figures that a pipe's place takes: addresses, as `kernel.wat` reads them. */
export const PLACE_FIGURES = 8;

function compiledKernel(engine: Engine, code: object, figures: number): Kernel {
  const memory = new engine.Memory({ initial: Math.ceil((figures * 8) / PAGE_BYTES) + 1 });
  const { advance, renew, breathe } = new engine.Instance(code, { m: { memory } }).exports as Record<
    'advance' | 'renew' | 'breathe',
    (...a: number[]) => number
  >;
  let taken = 0;
  const kernel: Kernel = {
    take: (count) => {
      const room = new Float64Array(memory.buffer, taken, count);
      taken += count * 8;
      return room;
    },
    lay: (pipe) => {
      pipe.place = kernel.take(PLACE_FIGURES).byteOffset;
      const { right, nextRight, left, nextLeft, gas, nextGas, resist, high, low, scratch, friction } = pipe;
      const addresses = [right, nextRight, left, nextLeft, gas, nextGas, resist, high, low, scratch, friction].map((a) => a.byteOffset);
      new Int32Array(memory.buffer, pipe.place).set([pipe.n, ...addresses]);
    },
    advance: ({ place, turn }, marks) => advance(place, turn, marks ? 1 : 0),
    renew: ({ place, turn, perPa }) => {
      renew(place, turn, perPa, LEAST_STEP, LAST_STEP);
    },
    breathe: ({ place, turn, z, freeGas }, vapourPa, dtS) => breathe(place, turn, 2 / z, vapourPa, freeGas, dtS),
    free: () => {
      // The larger ones serve more.
      if (!spare.some((s) => s.kernel === kernel)) spare.push({ kernel, figures: memory.buffer.byteLength / 8, clear });
      spare.sort((a, b) => a.figures - b.figures);
      if (spare.length > MOST_SPARE) spare.shift();
    },
  };
  const clear = () => {
    new Float64Array(memory.buffer, 0, taken / 8).fill(0);
    taken = 0;
  };
  return kernel;
}
