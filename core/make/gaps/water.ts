/** Rules 1, 6, 7 and 9: the water is off where it is opened, and comes back in stages, looked at. */
import { isNewCut } from '../acts.ts';
import { workKind } from '../work-kinds.ts';
import { begun, type Card, every, first, has, isBefore, last, MAKERS, type OrderRule, opening, unless } from './rule.ts';

export const deadBeforeOpen: OrderRule = {
  id: 'order-1',
  protects: 'What has held water stays shut until it is dead.',
  broken: (card) => {
    const off = first(card, 'water-off');
    const at = begun(card);
    if (at === -1) return [];
    const comesOff = workKind(card.run.work).oldLine && card.run.oldLine !== 'none';
    return [
      ...unless(!comesOff || opening(card) !== -1, 'What is there never comes off.'),
      ...unless(isBefore(off, at), 'The water is not shut before the line is opened.'),
      ...(['relieve', 'prove-dead'] as const).flatMap((verb) => {
        const done = first(card, verb);
        return unless(
          isBefore(done, at) && off !== -1 && off < done,
          `${verb === 'relieve' ? 'The pressure is not relieved' : 'It is not proved dead'} between shutting and opening.`,
        );
      }),
      ...unless(
        !(card.run.appliance.fastClosing === 'yes' && card.acts.some((a) => (a.do === 'relieve' || a.do === 'prove-dead') && a.on === 'appliance')),
        'A solenoid lets nothing out: it is proved dead by something that flows.',
      ),
    ];
  },
};

export const flushedFirst: OrderRule = {
  id: 'order-6',
  protects: 'Chips, flux and scale stay out of screens and valves.',
  broken: (card) => {
    const { chain, work, parts } = card.run;
    if (!chain) return [];
    const isNewStop = chain.parts.some((id) => parts.find((p) => p.id === id)?.tags.includes('stop'));
    const isCut = card.acts.some((a) => a.do === 'cut' && !isNewCut(a) && (a.joint === undefined || a.joint === 1));
    const flush = first(card, 'flush-line');
    if (!workKind(work).mustActs.includes('flush-line') && !isNewStop && !isCut && flush === -1) return [];
    const lastJoint = chain.path.length + 1;
    const made = first(card, MAKERS, (a) => a.joint === lastJoint);
    if (flush === -1) return ['The line is not flushed.'];
    const again = (['water-off', 'relieve', 'prove-dead'] as const).every((verb) =>
      card.acts.some((a) => a.do === verb && a.at > flush && (made === -1 || a.at < made)),
    );
    return [
      ...unless(made !== -1 && flush < made, 'The joint to the appliance is made before the line was flushed.'),
      ...unless(again, 'After the flush the water is not shut, relieved and proved dead again.'),
    ];
  },
};

export const backInStages: OrderRule = {
  id: 'order-7',
  protects: 'A joint that leaks shows at a trickle, in sight, and not behind a wall.',
  broken: (card) => {
    const { chain } = card.run;
    const joints = chain?.joints.map((j) => j.n) ?? [];
    const crack = first(card, 'water-on-crack');
    const full = first(card, 'water-on-full');
    if (crack === -1 && full === -1 && joints.length === 0 && !has(card, 'water-off')) return [];
    const lookAt = (round: string, joint?: number) => first(card, 'look', (a) => a.on === round && a.joint === joint);
    const all = joints.length > 0 ? joints : [undefined];
    const rounds = { crack: [crack, full], standing: [full, lookAt('working', all[0])], working: [full, Number.POSITIVE_INFINITY] } as const;
    const pushed = last(card, 'put-back');
    const closed = first(card, 'close-up');
    return [
      ...joints.flatMap((joint) => unless(isBefore(lookAt('before', joint), crack), `J${joint} is not looked at before water.`)),
      ...Object.keys(rounds).flatMap((round) => unless(lookAt(round) !== -1, `Stems, drains and disturbed joints are not looked at ${WHEN[round]}.`)),
      ...unless(crack !== -1 && full !== -1 && crack < full, 'The water does not come back in two stages.'),
      ...unless(last(card, MAKERS, (a) => a.joint !== undefined) < crack, 'Water is let in before every joint is made.'),
      ...spareEnds(card, crack),
      ...Object.entries(rounds).flatMap(([round, [from, to]]) =>
        all.flatMap((joint) => {
          const looks = every(card, 'look', (a) => a.on === round && a.joint === joint);
          const name = joint === undefined ? 'what was opened' : `J${joint}`;
          return [
            ...unless(looks.length === 1, `${name} is looked at ${looks.length} times ${WHEN[round]}.`),
            ...unless(
              looks.every((l) => l.at > from && (to === -1 || l.at < to)),
              `${name} is looked at ${WHEN[round]} at the wrong time.`,
            ),
          ];
        }),
      ),
      ...(pushed === -1
        ? []
        : joints.flatMap((joint) =>
            unless(
              last(card, 'look', (a) => a.on === 'put-back' && a.joint === joint) > pushed,
              `J${joint} is not looked at after the appliance is pushed home.`,
            ),
          )),
      ...unless(pushed === -1 || !DRAWN_OUT.has(workKind(card.run.work).moves) || has(card, 'move-out'), 'What is put back was never drawn out.'),
      ...unless(!has(card, 'move-out') || !card.run.appliance.moves || pushed !== -1, 'What was drawn out is not put back.'),
      ...unless(
        closed === -1 || last(card, 'look', (a) => a.on !== 'next-day' && a.joint !== undefined) < closed,
        'What will be hidden is looked at after it is closed up.',
      ),
      ...unless(!card.run.hidden || joints.length === 0 || closed !== -1, 'Joints that will be hidden are not looked at before they are closed up.'),
    ];
  },
};

const DRAWN_OUT: ReadonlySet<string> = new Set(['out and back', 'changed']);

const WHEN: Record<string, string> = { crack: 'at a crack', standing: 'under standing pressure', working: 'while it works' };

/** Every free outlet is closed before water comes, those with a valve of their own too: a knocked handle floods. */
function spareEnds({ acts, run }: Card, crack: number): string[] {
  const spare = (run.chain?.branches ?? []).filter((b) => b.use !== 'rejoin' && !run.takenOutlets?.includes(`${b.part} ${b.end}`));
  return spare.flatMap(({ code, part, end }) => {
    const wanted = spare.filter((b) => b.code === code).length;
    const caps = acts.filter((a) => a.do === 'cap' && a.on === code && (crack === -1 || a.at < crack)).length;
    return unless(caps >= wanted, `The spare outlet ${end} of ${part} is not capped before water comes.`);
  });
}

export const triedAndRinsed: OrderRule = {
  id: 'order-9',
  protects: 'A device is tried where there is water to stop; what is drunk comes from a rinsed line.',
  broken: (card) => {
    const full = first(card, 'water-on-full');
    const standing = last(card, 'look', (a) => a.on === 'standing');
    return [
      ...every(card, 'try-safety').flatMap((a) => unless(full !== -1 && a.at > full, 'A safety device is tried before the water is fully on.')),
      ...every(card, 'rinse').flatMap((a) => unless(standing !== -1 && a.at > standing, 'It is rinsed before it stood and was looked at.')),
    ];
  },
};
