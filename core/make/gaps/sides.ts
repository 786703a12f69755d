/** Rules 11 and 12: both waters of what is fed hot and cold, and no trust in a stop that does not hold. */
import { isBad, watersOf } from '../shutting.ts';
import { workKind } from '../work-kinds.ts';
import { begun, every, first, isBefore, type OrderRule, unless } from './rule.ts';

export const bothSidesDead: OrderRule = {
  id: 'order-11',
  protects: 'Where hot and cold meet, one side that is live feeds the other.',
  broken: (card) => {
    const at = begun(card);
    const waters = watersOf(card.run);
    if (at === -1 || waters.length < 2) return [];
    return waters.flatMap((water) =>
      (['water-off', 'relieve', 'prove-dead'] as const).flatMap((verb) =>
        unless(
          isBefore(
            first(card, verb, (a) => (a.water ?? card.run.water) === water),
            at,
          ),
          `The ${water} side is not ${DONE[verb]} before anything is opened.`,
        ),
      ),
    );
  },
};

const DONE = { 'water-off': 'shut', relieve: 'relieved', 'prove-dead': 'proved dead' } as const;

const SHUT_AT: readonly string[] = ['stop', 'upstream', 'heater', 'new stop'];
const DEAD_AT: readonly string[] = ['branch outlet', 'nut over a bucket', 'open end'];

export const badStopLeftAlone: OrderRule = {
  id: 'order-12',
  protects: 'A stop that is seized, broken or passing lets go when it is forced, and proves nothing.',
  broken: (card) => {
    const { run } = card;
    const ofSide = (verb: 'water-off' | 'prove-dead', water: string) => every(card, verb, (a) => (a.water ?? run.water) === water);
    const comesOff = workKind(run.work).renewsStop;
    const isFouled = run.stop?.kind === 'saddle' || comesOff;
    const proof = ofSide('prove-dead', run.water)[0];
    const stops = watersOf(run).map((water) => ({ water, stop: water === run.water ? run.stop : (run.otherStop ?? null) }));
    return [
      ...stops.flatMap(({ water, stop }) => {
        if (stop === null || !(isBad(stop) || stop.kind === 'saddle' || (comesOff && water === run.water))) return [];
        const offs = ofSide('water-off', water);
        return [
          ...unless(
            offs[0] === undefined || offs[0].on === 'upstream',
            `The ${water} side is not shut upstream first, and its stop is not to be trusted.`,
          ),
          ...unless(
            offs.every((a) => a.on !== 'stop'),
            `The ${water} stop is turned, and is not to be trusted.`,
          ),
        ];
      }),
      ...every(card, 'water-off').flatMap((a) =>
        unless(SHUT_AT.includes(a.on ?? ''), `Nothing says where the water is shut (${a.on ?? 'nowhere'}).`),
      ),
      ...every(card, 'prove-dead').flatMap((a) =>
        unless(DEAD_AT.includes(a.on ?? ''), `It is proved dead at ${a.on ?? 'no place'}, not at the pipe that is opened.`),
      ),
      ...unless(
        !isFouled || proof === undefined || proof.on === 'branch outlet',
        'A pipe whose stop comes off, or is a saddle valve, is proved dead at an outlet of its branch.',
      ),
    ];
  },
};
