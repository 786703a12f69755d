/** Rule 8: drain joints before the working look, the floor closed and the power on in their turn. */
import { every, first, has, last, type OrderRule, unless } from './rule.ts';

export const drainsInTurn: OrderRule = {
  id: 'order-8',
  protects: 'A drain is made before it is used, and a floor is closed over what was seen dry.',
  broken: (card) => {
    const working = last(card, 'look', (a) => a.on === 'working' && a.joint === undefined);
    const anyWorking = first(card, 'look', (a) => a.on === 'working');
    const standing = last(card, 'look', (a) => a.on === 'standing');
    const drains = every(card, 'drain-make');
    const numbers = drains.map((a) => a.on ?? '');
    return [
      ...drains.flatMap((a) => unless(anyWorking === -1 || a.at < anyWorking, `${a.on ?? 'A drain joint'} is made after it was used.`)),
      ...unless(drains.length === 0 || working !== -1 || !has(card, 'look'), 'The drain joints are not looked at while it works.'),
      ...unless(
        numbers.every((on, i) => on === `D${i + 1}`),
        'Drain joints are numbered D1, D2 and so on, each made once.',
      ),
      ...every(card, 'seal-floor').flatMap((a) => unless(working !== -1 && a.at > working, 'The floor is sealed before the working look.')),
      ...(has(card, 'power-off') && anyWorking !== -1
        ? every(card, 'power-on').flatMap((a) =>
            unless(a.at > standing && a.at < anyWorking, 'The power comes on out of its turn: after the standing look, before the working one.'),
          )
        : []),
    ];
  },
};
