/** What was understood of a sentence beside its ends, in words. */
import {
  diameter,
  type HouseRules,
  length as lengthOf,
  type OwnWords,
  pressure,
  quantityWords,
  temperature,
  type Units,
} from '../../../core/index.ts';
import { inchesOf, isStopUsual, psiOf, type Question } from './question.ts';

interface Demand {
  words: string;
  off: Partial<Question>;
}

/** What is asked besides the ends, in few words; each can be left out. */
export function demandsOf(q: Question, rules: HouseRules, units: Units, words?: OwnWords): Demand[] {
  const psi = psiOf(q.psi);
  const inches = inchesOf(q.length);
  const length =
    inches === undefined || Number.isNaN(inches)
      ? q.length
      : quantityWords(lengthOf(units === 'inch' ? Math.ceil(inches * 16 - 1e-6) / 16 : inches), units);
  const all: [boolean, string, Partial<Question>][] = [
    [q.water === 'hot', 'hot water', { water: 'cold' }],
    [q.stop, isStopUsual(q.text, words) ? 'its own stop, as usual' : 'its own stop', { stop: false }],
    [q.length.trim() !== '', `reaches ${length}`, { length: '' }],
    [q.arrestor, 'an arrestor', { arrestor: false }],
    [q.check, 'stops backflow', { check: false }],
    [q.stopLeak, 'stops a leak', { stopLeak: false }],
    [q.outlet, 'leaves an outlet free', { outlet: false }],
    [q.hidden, 'walled in', { hidden: false }],
    [q.afterRo, 'after reverse osmosis: no copper, no brass', { afterRo: false }],
    [q.psi.trim() !== '', `holds ${psi === undefined || Number.isNaN(psi) ? q.psi : quantityWords(pressure(psi), units)}`, { psi: '' }],
    [q.tempF !== null, `bears ${quantityWords(temperature(q.tempF ?? 0), units)}`, { tempF: null }],
    [q.boreIn !== null, `${quantityWords(diameter(q.boreIn ?? 0), units)} of bore`, { boreIn: null }],
    [q.outOf !== null, `out of the ${q.outOf}`, { outOf: null }],
    [q.vanOnly, 'off the van alone', { vanOnly: false }],
    [q.push !== rules.push, `push fittings ${q.push}`, { push: rules.push }],
  ];
  const avoided: Demand[] = q.avoid.map((tag) => ({ words: `no ${tag}`, off: { avoid: q.avoid.filter((t) => t !== tag) } }));
  return [...all.flatMap(([isAsked, words, off]) => (isAsked ? [{ words, off }] : [])), ...avoided];
}
