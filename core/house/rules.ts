import type { SealId } from '../ends/seals.ts';

/** The shop's choices where good plumbers disagree. */
export interface HouseRules {
  threadSealant: 'tape' | 'paste';
  ferrule: 'dry' | 'trace of paste';
  connector: 'new' | 'reuse if sound';
  push: 'where listed' | 'where reachable' | 'never';
  applianceLine: 'braided' | 'copper' | 'pe' | 'pex';
  toiletLine: 'flexible' | 'riser';
  firstEnd: 'wall' | 'appliance';
  airGap: 'required' | 'high loop allowed';
  /** Turns past hand-tight that replace the default of a seal; never more than the seal's `most`. */
  turns: Partial<Record<SealId, number>>;
  targetMlPerDay: number;
  recheckHours: number;
  weights: { callbackDollars: number; minuteDollars: number; tripDollars: number; notPreferredDollars: number };
}

export const defaultRules: HouseRules = {
  threadSealant: 'tape',
  ferrule: 'dry',
  connector: 'new',
  push: 'where reachable',
  applianceLine: 'braided',
  toiletLine: 'flexible',
  firstEnd: 'wall',
  airGap: 'required',
  turns: {},
  targetMlPerDay: 10,
  recheckHours: 24,
  weights: { callbackDollars: 250, minuteDollars: 1.5, tripDollars: 45, notPreferredDollars: 4 },
};
