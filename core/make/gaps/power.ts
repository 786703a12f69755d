/** Rules 2 and 3: electricity, heat and the building's earth. */
import { isNewCut } from '../acts.ts';
import { type Card, every, first, has, isBefore, last, type OrderRule, unless } from './rule.ts';

export const powerOff: OrderRule = {
  id: 'order-2',
  protects: 'Nobody works in water beside a live supply, and no heater fires dry.',
  broken: (card) => {
    const off = first(card, 'power-off');
    const dead = first(card, 'prove-power-dead');
    const isDishwasher = card.run.work.startsWith('dishwasher-');
    const movesPowered = card.run.appliance.powered && has(card, 'move-out');
    const guarded = [
      first(card, 'wire'),
      card.run.appliance.powered ? first(card, 'detach') : -1,
      isDishwasher ? first(card, 'move-out') : -1,
    ].filter((at) => at !== -1);
    const needs = isDishwasher || movesPowered || guarded.length > 0;
    if (!needs && off === -1 && dead === -1) return energy(card);
    const counts = (['power-off', 'prove-power-dead', 'power-on'] as const).map((verb) => every(card, verb).length);
    return [
      ...unless(off !== -1 && dead !== -1 && off < dead, 'The power is not switched off and then proved dead.'),
      ...guarded.flatMap((at) => unless(isBefore(dead, at), 'It is opened or moved before its power is proved dead.')),
      ...unless(
        counts.every((n) => n === counts[0]),
        'Each power off wants its proof and its power on again.',
      ),
      ...unless(last(card, 'power-on') > Math.max(off, dead, ...guarded), 'The power comes on before the work at it is done.'),
      ...energy(card),
    ];
  },
};

function energy(card: Card): string[] {
  const off = first(card, 'energy-off');
  const on = first(card, 'energy-on');
  if (off === -1 && on === -1) return [];
  const shut = first(card, ['water-off', 'drain']);
  return [
    ...unless(off !== -1 && (shut === -1 || off < shut), 'The heater has its energy on while its water is shut.'),
    ...unless(on > first(card, 'water-on-full') && first(card, 'water-on-full') !== -1, 'The heater gets its energy before its line is full again.'),
  ];
}

export const bondedFirst: OrderRule = {
  id: 'order-3',
  protects: "Metal pipe may carry the building's earth: whoever parts it may be the way the current takes.",
  broken: (card) => {
    const cut = first(card, 'cut', (a) => !isNewCut(a));
    const isMetal = /^(cu|steel)-/.test(card.run.from) || (card.run.rejoin != null && /^(cu|steel)-/.test(card.run.rejoin));
    const bond = first(card, 'bond');
    const isOff = first(card, 'restore', (a) => a.on === 'bond');
    const lastMade = last(card, ['tighten', 'push', 'ring', 'solder', 'water-on-full', 'look'], (a) => a.on !== 'next-day');
    return [
      ...unless(cut === -1 || !isMetal || isBefore(bond, cut), 'Found metal pipe is cut before it is bridged.'),
      ...unless(isOff === -1 || isOff > lastMade, 'The jumper comes off before all else is done.'),
      ...unless(
        bond === -1 || isOff !== -1 || card.acts.some((a) => a.do === 'record' && a.on === 'bond'),
        'Nothing says whether the jumper comes off or stays.',
      ),
      ...unless(isOff === -1 || bond !== -1, 'A jumper comes off that was never put on.'),
    ];
  },
};
