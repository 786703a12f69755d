/** The order of a card: every constraint kept, and among what may come next the nearest by its block, its place and its number. */
import { InputError } from '../errors.ts';
import type { Act } from './acts.ts';

/** A step as far as its order goes. */
export interface Ordered {
  id: string;
  /** Id of its row, without what it is for. */
  row: string;
  acts: readonly Act[];
  /** '@early', '@held': names that constraints may use for it. */
  labels: readonly string[];
  stage: number;
  order: number;
  /** Of its joint among the joints; -1 for what is done once. */
  rank: number;
  where: string;
  /** Its acts come a second time, and constraints on verbs do not mean it. */
  again: boolean;
}

/** The steps cannot be put in any order: they wait for each other. */
export class StepOrderError extends InputError {
  override readonly name = 'StepOrderError';
  constructor(readonly steps: string[]) {
    super('steps', steps.join(', '), 'These wait for each other. Take one of their constraints away.');
  }
}

/** What a constraint's name means, looked up by it. */
export class StepIndex {
  readonly #by = new Map<string, number[]>();

  constructor(steps: readonly Ordered[]) {
    steps.forEach((step, i) => {
      this.#add(`#${step.row}`, i);
      for (const label of step.labels) this.#add(label, i);
      if (step.again) return;
      for (const act of step.acts) {
        this.#add(act.do, i);
        if (act.on) this.#add(`${act.do}:${act.on}`, i);
        else if (act.do === 'cut') this.#add('cut:found', i);
      }
    });
  }

  of(ref: string): readonly number[] {
    return this.#by.get(ref) ?? [];
  }

  #add(ref: string, i: number): void {
    const list = this.#by.get(ref);
    if (!list) this.#by.set(ref, [i]);
    else if (list.at(-1) !== i) list.push(i);
  }
}

/** Pairs of places, the first of which stands before the second. */
export type Edge = readonly [number, number];

/** Whether a step comes before another when nothing else says so: by stage, block, joint, the place where one stands, number. */
function isBefore(a: Ordered, b: Ordered, here: string): boolean {
  if (a.stage !== b.stage) return a.stage < b.stage;
  const block = Math.floor(a.order) - Math.floor(b.order);
  if (block !== 0) return block < 0;
  if (a.rank !== b.rank) return a.rank < b.rank;
  const [isNear, isOtherNear] = [a.where === here || a.where === '', b.where === here || b.where === ''];
  return isNear === isOtherNear ? a.order < b.order : isNear;
}

/**
 * Places of the steps in the order in which they are done: a topological order, the same for the same input.
 *
 * @throws StepOrderError naming the steps that wait for each other
 */
export function inOrder(steps: readonly Ordered[], edges: readonly Edge[]): number[] {
  const waits = steps.map(() => 0);
  const next: number[][] = steps.map(() => []);
  for (const [a, b] of edges) {
    next[a]!.push(b);
    waits[b]!++;
  }
  const ready = steps.flatMap((_, i) => (waits[i] === 0 ? [i] : []));
  const order: number[] = [];
  let here = '';
  while (ready.length > 0) {
    let best = 0;
    for (let i = 1; i < ready.length; i++) if (isBefore(steps[ready[i]!]!, steps[ready[best]!]!, here)) best = i;
    const [at] = ready.splice(best, 1) as [number];
    order.push(at);
    here = steps[at]!.where || here;
    for (const b of next[at]!) if (--waits[b]! === 0) ready.push(b);
  }
  if (order.length < steps.length) throw new StepOrderError(steps.filter((_, i) => waits[i]! > 0).map((s) => s.id));
  return order;
}
