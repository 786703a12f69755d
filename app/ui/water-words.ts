/** The water of a premises in words and lists: what each thing is called, what stands for what. */
import {
  coil,
  type IsolationPlan,
  type NetPlace,
  type NetValve,
  type PossiblePlan,
  quantityWords,
  type Units,
  type WaterNetwork,
} from '../../core/index.ts';

export const CONDITIONS: [NetValve['condition'], string][] = [
  ['works', 'holds'],
  ['weeps', 'holds, weeps at its stem'],
  ['passes', 'passes'],
  ['seized-open', 'seized open'],
  ['seized-shut', 'seized shut'],
  ['broken', 'broken'],
  ['unknown', 'never tried'],
];
export const conditionWords = (of: NetValve['condition']): string => CONDITIONS.find(([id]) => id === of)![1];

/** As it is called; the one in the street is called by where it is. */
export const valveWords = (kind: NetValve['kind']): string => (kind === 'street' ? 'in the street' : kind);

export const PLACE_WORDS: Record<NetPlace['kind'], string> = {
  source: 'source',
  tank: 'tank',
  heater: 'heater',
  junction: 'where the line goes on',
  outlet: 'outlet',
  mixer: 'where hot and cold meet',
};

/** An id that a device made says nothing; one from a file often does. */
const isMade = (id: string): boolean => /[0-9a-f]{8}-[0-9a-f]{4}-/.test(id);

/** So many outlets. */
export const outletsWords = (n: number): string => `${n} ${n === 1 ? 'outlet' : 'outlets'}`;

/** A height over the level that a premises is measured from. */
export const heightWords = (ft: number, units: Units): string => `${ft > 0 ? '+' : ''}${quantityWords(coil(ft * 12), units)}`;

/** A name for everything, also for what nobody named: by what it lies next to. */
export function namesOf(net: WaterNetwork, units: Units): (id: string) => string {
  const known = new Map<string, string>();
  for (const t of [...net.places, ...net.valves]) if (t.name ?? !isMade(t.id)) known.set(t.id, t.name ?? t.id);
  for (const p of net.places) {
    if (!known.has(p.id) && p.kind !== 'junction') known.set(p.id, `${PLACE_WORDS[p.kind]} at ${heightWords(p.heightFt, units)}`);
  }
  for (const v of net.valves)
    if (!known.has(v.id))
      known.set(v.id, v.kind === 'street' ? 'the valve in the street' : `${v.kind} valve at ${known.get(v.b) ?? known.get(v.a) ?? 'the line'}`);
  const next = (id: string) =>
    [...net.valves, ...net.pipes].find((l) => (l.a === id || l.b === id) && (known.has(l.id) || known.has(l.a === id ? l.b : l.a)));
  return (id) => {
    const own = known.get(id);
    if (own) return own;
    const pipe = net.pipes.find((p) => p.id === id);
    if (pipe) return `the pipe between ${known.get(pipe.a) ?? 'a joint'} and ${known.get(pipe.b) ?? 'a joint'}`;
    const by = next(id);
    return by ? `the line at ${known.get(by.id) ?? known.get(by.a === id ? by.b : by.a)!}` : 'the line';
  };
}

/** What is shut by a plan, as it is said: 'stop Well pump at its breaker, close Tank valve'. */
export function offWords({ pumpsOff, close }: Pick<PossiblePlan, 'pumpsOff' | 'close'>, name: (id: string) => string): string {
  const said = [...pumpsOff.map((id) => `stop ${name(id)} at its breaker`), ...(close.length > 0 ? [`close ${close.map(name).join(' and ')}`] : [])];
  return said.length > 0 ? said.join(', ') : 'nothing more to close';
}

/** Plans one after the other, each for when the least trusted valve of the one before does not hold. */
export function* chainOf(plan: IsolationPlan): Generator<IsolationPlan> {
  for (let at: IsolationPlan | null = plan; at !== null; at = at.possible ? at.fallback : null) yield at;
}

/** Everything that a plan speaks of. */
export function spokenOf(plan: IsolationPlan | null): string[] {
  if (!plan?.possible) return [];
  return [...plan.close, ...plan.reliesOn, ...plan.relieve, ...plan.pumpsOff, plan.drainAt, ...(plan.ventAt ? [plan.ventAt] : []), ...plan.energyOff];
}
