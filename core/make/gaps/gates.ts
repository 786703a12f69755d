/** Rule 10, and what a kind of work asks of its card. */
import { workKind } from '../work-kinds.ts';
import { type Card, first, has, type OrderRule, unless } from './rule.ts';

export const gatesHold: OrderRule = {
  id: 'order-10',
  protects: 'A proof that nobody is asked for is not given.',
  broken: ({ steps, acts, run }) => {
    const joints = new Set(run.chain?.joints.map((j) => j.n));
    const strange = new Set(acts.flatMap((a) => (a.joint !== undefined && !joints.has(a.joint) ? [a.joint] : [])));
    return [
      ...acts
        .filter((a) => a.do === 'prove-dead' || a.do === 'prove-power-dead')
        .flatMap((a) =>
          unless(
            Boolean(steps[a.step]!.gate),
            `${a.do === 'prove-dead' ? 'The water' : 'The power'} is proved off without a question that must be answered.`,
          ),
        ),
      ...[...strange].map((n) => `There is no J${n} in this chain.`),
    ];
  },
};

/** What every card of this kind of work contains, and in what order. */
export const ofItsKind: OrderRule = {
  id: 'kind',
  protects: 'It belongs to this kind of work.',
  broken: (card: Card) => {
    const kind = workKind(card.run.work);
    return [
      ...kind.mustActs.flatMap((verb) => unless(has(card, verb), `"${verb}" is missing.`)),
      ...kind.orders.flatMap(({ before, after }) => {
        const [a, b] = [first(card, before), first(card, after)];
        return unless(a === -1 || b === -1 || a < b, `"${before}" does not come before "${after}".`);
      }),
      ...unless(kind.joins || card.run.chain === null || card.acts.every((a) => a.joint === undefined), 'Nothing is joined in this work.'),
    ];
  },
};
