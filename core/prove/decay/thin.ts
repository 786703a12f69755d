import type { PressureReading } from './slope.ts';

/**
 * Readings of a gauge that logs for hours, kept as means of equal blocks: never more than so many of them, whatever comes.
 *
 * When they are full, each two are made one: a block's mean has the gauge's error over the root of its count, and a line through the means is the line
 * through the readings.
 */
export class Thinned {
  #blocks: PressureReading[] = [];
  #size = 1;
  #count = 0;
  #sum: PressureReading = { minutes: 0, psi: 0, tempF: 0 };

  /** @param most blocks, even, 2 at least */
  constructor(readonly most = 400) {}

  add({ minutes, psi, tempF }: PressureReading): void {
    this.#sum = { minutes: this.#sum.minutes + minutes, psi: this.#sum.psi + psi, tempF: this.#sum.tempF + tempF };
    this.#count += 1;
    if (this.#count < this.#size) return;
    this.#blocks.push(divided(this.#sum, this.#count));
    this.#sum = { minutes: 0, psi: 0, tempF: 0 };
    this.#count = 0;
    if (this.#blocks.length < this.most) return;
    const two = this.#blocks;
    this.#blocks = Array.from({ length: two.length / 2 }, (_, i) => mean(two[2 * i]!, two[2 * i + 1]!));
    this.#size *= 2;
  }

  /** Means of full blocks, in order. */
  get readings(): readonly PressureReading[] {
    return this.#blocks;
  }

  /** How many readings each of them is the mean of. */
  get blockSize(): number {
    return this.#size;
  }
}

const divided = ({ minutes, psi, tempF }: PressureReading, by: number): PressureReading => ({
  minutes: minutes / by,
  psi: psi / by,
  tempF: tempF / by,
});

const mean = (a: PressureReading, b: PressureReading): PressureReading =>
  divided({ minutes: a.minutes + b.minutes, psi: a.psi + b.psi, tempF: a.tempF + b.tempF }, 2);
