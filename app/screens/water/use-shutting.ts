/** What is worked on in a house, which valves are struck out, and the plan that follows. */
import { useMemo, useState } from 'react';
import { type IsolationPlan, offBy, planIsolation, type WaterNetwork, wetPlaces } from '../../../core/index.ts';

export function useShutting(net: WaterNetwork, first: readonly string[]) {
  const [workOn, setWork] = useState(first);
  const [struckOut, setStruck] = useState<readonly string[]>([]);
  // What was taken out of the drawing meanwhile is not worked on.
  const known = useMemo(() => new Set([...net.places, ...net.pipes, ...net.valves].map((t) => t.id)), [net]);
  const work = useMemo(() => workOn.filter((w) => known.has(w)), [workOn, known]);
  const struck = useMemo(() => struckOut.filter((s) => known.has(s)), [struckOut, known]);
  const plan = useMemo<IsolationPlan | null>(
    () => (work.length === 0 ? null : planIsolation(net, { workOn: work, struckOut: struck })),
    [net, work, struck],
  );
  const wet = useMemo(() => wetPlaces(net, plan?.possible ? offBy(plan) : [], struck), [net, plan, struck]);
  const toggled = (all: readonly string[], id: string, is: boolean) => [...all.filter((a) => a !== id), ...(is ? [id] : [])];
  return {
    work,
    struck,
    plan,
    wet,
    setWork: (id: string, is: boolean) => setWork((now) => toggled(now, id, is)),
    strike: (id: string, is: boolean) => setStruck((now) => toggled(now, id, is)),
  };
}
