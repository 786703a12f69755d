/** One rule of order that every card is held to, whatever it was composed from. */
import { type Reason, reason } from '../../reason.ts';
import { type ActAt, type ActVerb, actsOf, isNewCut } from '../acts.ts';
import type { RunFacts } from '../run-facts.ts';
import type { WorkStep } from '../work-card.ts';

/** A card as its rules look at it. */
export interface Card {
  steps: readonly WorkStep[];
  acts: ActAt[];
  run: RunFacts;
}

export const cardOf = (steps: readonly WorkStep[], run: RunFacts): Card => ({ steps, acts: actsOf(steps.map((s) => ({ acts: s.acts ?? [] }))), run });

/** A rule of order: what it protects, and what of a card breaks it, each in a sentence. */
export interface OrderRule {
  id: string;
  protects: string;
  broken: (card: Card) => string[];
}

export const gapsOf = (rule: OrderRule, card: Card): Reason[] =>
  rule.broken(card).map((text) => reason(rule.id, `${text} ${rule.protects}`, { source: 'order rules of work cards' }));

/** Place of the first act that is one of these verbs and fits; -1 where there is none. */
export const first = (card: Card, verbs: ActVerb | ActVerb[], fits: (act: ActAt) => boolean = () => true): number =>
  card.acts.findIndex((act) => [verbs].flat().includes(act.do) && fits(act));

export const last = (card: Card, verbs: ActVerb | ActVerb[], fits: (act: ActAt) => boolean = () => true): number =>
  card.acts.findLastIndex((act) => [verbs].flat().includes(act.do) && fits(act));

export const every = (card: Card, verb: ActVerb, fits: (act: ActAt) => boolean = () => true): ActAt[] =>
  card.acts.filter((act) => act.do === verb && fits(act));

export const has = (card: Card, verb: ActVerb): boolean => card.acts.some((act) => act.do === verb);

/** The first of what was found that is opened; -1 where nothing is. New tube is cut wherever it lies. */
export const opening = (card: Card): number => first(card, ['detach', 'cut'], (a) => !isNewCut(a));

/** The first thing that is opened, or joined where nothing was there to open. */
export function begun(card: Card): number {
  const opened = opening(card);
  return opened === -1 && card.run.chain ? first(card, MAKERS, (a) => a.joint !== undefined) : opened;
}

/** Whether something stands before a place. */
export const isBefore = (at: number, place: number): boolean => at !== -1 && at < place;

/** A sentence for each that is not so. */
export const unless = (isSo: boolean, text: string): string[] => (isSo ? [] : [text]);

export const MAKERS: ActVerb[] = ['tighten', 'push', 'ring', 'solder'];
