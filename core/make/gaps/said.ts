/** Rules 16 and 17: steps follow the material, and a card can be read at arm's length. */
import { parseEnd } from '../../ends/index.ts';
import { isMetal } from '../found-ends.ts';
import { type Card, every, type OrderRule, unless } from './rule.ts';

export const asItIsMade: OrderRule = {
  id: 'order-16',
  protects: 'What a card asks must be there to be done.',
  broken: (card) => {
    const { run } = card;
    const ends = (joint: number | undefined) => run.chain?.joints.find((j) => j.n === joint);
    const isPlasticTube = (joint: number | undefined) =>
      [ends(joint)?.a, ends(joint)?.b].some((code) => {
        const end = code === undefined ? null : parseEnd(code);
        return end?.kind === 'tube' && !isMetal(end.tube.material);
      });
    const onChrome = card.steps
      .filter((s) => s.joint !== undefined || s.atJoint !== undefined)
      .filter((s) => /\bchrom/i.test(`${s.title} ${s.detail}`) && isPlasticTube(s.atJoint));
    const aerators = run.appliance.hasAerator
      ? []
      : card.steps.filter((s) => /\baerator\b/i.test(`${s.title} ${s.detail}`) && s.atJoint === undefined);
    return [
      ...every(card, 'gauge').flatMap((a) => unless(/^crimp/.test(ends(a.joint)?.mating.seal ?? ''), `J${a.joint} has no ring for the gauge.`)),
      ...onChrome.map((s) => `"${s.title}" speaks of chrome on plastic tube.`),
      ...aerators.map((s) => `"${s.title}" speaks of an aerator that the ${run.appliance.name} has not.`),
    ];
  },
};

const MOST = { title: 60, detail: 260, card: 9000 };

export const readAtArmsLength: OrderRule = {
  id: 'order-17',
  protects: 'It is read at arm’s length with wet hands.',
  broken: ({ steps }: Card) => {
    const all = steps.reduce((sum, s) => sum + s.title.length + s.detail.length, 0);
    return [
      ...steps.flatMap((s) => unless(s.title.length <= MOST.title, `"${s.title}" is a title of ${s.title.length} letters.`)),
      ...steps.flatMap((s) => unless(s.detail.length <= MOST.detail, `"${s.title}" is told in ${s.detail.length} letters.`)),
      ...unless(all <= MOST.card, `The card has ${all} letters.`),
    ];
  },
};
