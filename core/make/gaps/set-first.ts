/** Rules 13, 14 and 15: what is fixed before it is joined, measured before it is lifted, switched off before its water. */
import { workKind } from '../work-kinds.ts';
import { type Card, every, first, has, isBefore, last, MAKERS, type OrderRule, unless } from './rule.ts';

/** Where the joint to the appliance is made; where that is done on the bench, the one before it. */
function joinedAt(card: Card): number {
  const joints = card.run.chain?.path.length ?? 0;
  const made = (n: number) => first(card, MAKERS, (a) => a.joint === n);
  const isBenched = every(card, 'bench').some((a) => a.joint === joints + 1);
  return made(isBenched && joints > 0 ? joints : joints + 1);
}

export const fixedBeforeJoined: OrderRule = {
  id: 'order-13',
  protects: 'What is joined first cannot be set, pitched or drawn tight any more.',
  broken: (card) => {
    const { run } = card;
    if (run.chain === null) return [];
    const joined = joinedAt(card);
    if (run.work === 'hydrant') {
      const way = [
        first(card, 'set'),
        first(card, ['level', 'orient']),
        first(card, ['seal-rim', 'sealant'], (a) => a.joint === undefined),
        first(card, 'fix'),
        joined,
      ];
      return way.slice(1).flatMap((at, i) => unless(isBefore(way[i]!, at), `The hydrant's ${STEPS[i + 1]} does not come after its ${STEPS[i]}.`));
    }
    if (workKind(run.work).stubs.length > 0) {
      const crack = first(card, 'water-on-crack');
      return unless(
        isBefore(
          first(card, 'cap', (a) => a.on === 'stubs'),
          crack,
        ),
        'A stub is not capped before water comes.',
      );
    }
    // A joint that is never made is another rule's.
    if (!workKind(run.work).setsFirst || joined === -1) return [];
    return (['set', 'fix'] as const).flatMap((verb) =>
      unless(isBefore(first(card, verb), joined), `The ${run.appliance.name} is not ${verb === 'set' ? 'set' : 'fixed'} before its line is joined.`),
    );
  },
};

const STEPS = ['barrel', 'pitch', 'sealant', 'screws', 'joint inside'];

const DRAWN: readonly string[] = ['out and back', 'changed'];

export const reachableOrder: OrderRule = {
  id: 'order-14',
  protects: 'Nobody reaches behind a machine in place, or lifts a toilet before the new one is known to fit.',
  broken: (card) => {
    const { run } = card;
    const lifted = first(card, ['move-out', 'detach']);
    const out = first(card, 'move-out');
    const kind = workKind(run.work);
    const isDrawn = DRAWN.includes(kind.moves) && out !== -1;
    return [
      ...unless(
        run.work !== 'toilet-replace' ||
          isBefore(
            first(card, 'measure', (a) => a.on === 'rough-in'),
            lifted,
          ),
        'The rough-in is not measured before the old toilet comes off.',
      ),
      ...every(card, 'detach', () => isDrawn).flatMap((a) =>
        unless(
          out < a.at || /\b(valve|stop|box|cap|saddle)\b/.test(a.on ?? ''),
          `"${a.on}" is undone behind the ${run.appliance.name} while it stands in place.`,
        ),
      ),
    ];
  },
};

export const iceOff: OrderRule = {
  id: 'order-15',
  protects: 'An ice maker that calls for water while it is off freezes half full, and floods when it comes.',
  broken: (card) => {
    if (!card.run.appliance.makesIce) return [];
    const off = first(card, 'enable', (a) => a.on === 'ice off');
    const on = first(card, 'enable', (a) => a.on === 'ice on');
    const before = ['power-off', 'water-off'] as const;
    return [
      ...before.flatMap((verb) =>
        unless(
          !has(card, verb) || isBefore(off, first(card, verb)),
          `Ice making is not switched off before ${verb === 'power-off' ? 'the power' : 'the water'}.`,
        ),
      ),
      ...unless(on !== -1 && on > last(card, 'rinse'), 'Ice making is not switched on after the rinse.'),
    ];
  },
};
