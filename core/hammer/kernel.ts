/** Where a transient's figures lie, and what moves them: compiled where the engine may, else as it stands in `loop.ts`. */
import { LAST_STEP, LEAST_STEP } from './friction-table.ts';
import { KERNEL_BYTES } from './kernel.table.ts';
import { advanceHere, renewHere } from './loop.ts';
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
  /** A step of a pipe; marks its inner nodes. @returns twice the lowest pressure there, Pa */
  advance: (pipe: Pipe, high: Float64Array, low: Float64Array) => number;
  /** Its friction by its flow of now. */
  renew: (pipe: Pipe) => void;
}

const PAGE_BYTES = 65_536;

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

/** A kernel for a network of so many figures in all. */
export function kernelFor(figures: number): Kernel {
  const engine = (globalThis as unknown as { WebAssembly?: Engine }).WebAssembly;
  const code = compiled(engine);
  return engine && code ? compiledKernel(engine, code, figures) : plainKernel;
}

export const plainKernel: Kernel = {
  take: (count) => new Float64Array(count),
  advance: ({ n, right, left, nextRight, nextLeft, resist }, high, low) => advanceHere(n, right, left, nextRight, nextLeft, resist, high, low),
  renew: ({ n, right, left, resist, friction, perPa }) => renewHere(n, right, left, resist, friction, perPa),
};

function compiledKernel(engine: Engine, code: object, figures: number): Kernel {
  const memory = new engine.Memory({ initial: Math.ceil((figures * 8) / PAGE_BYTES) + 1 });
  const { advance, renew } = new engine.Instance(code, { m: { memory } }).exports as {
    advance: (...a: number[]) => number;
    renew: (...a: number[]) => number;
  };
  let taken = 0;
  return {
    take: (count) => {
      const room = new Float64Array(memory.buffer, taken, count);
      taken += count * 8;
      return room;
    },
    advance: ({ n, right, left, nextRight, nextLeft, resist }, high, low) =>
      advance(n, right.byteOffset, left.byteOffset, nextRight.byteOffset, nextLeft.byteOffset, resist.byteOffset, high.byteOffset, low.byteOffset),
    renew: ({ n, right, left, resist, friction, perPa }) => {
      renew(n, right.byteOffset, left.byteOffset, resist.byteOffset, friction.byteOffset, perPa, LEAST_STEP, LAST_STEP);
    },
  };
}
