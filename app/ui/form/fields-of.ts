/** Fields of an entry that can be changed, and what they may be. */
import type * as z from 'zod/mini';
import { lengthTyped, pressureTyped } from '../../../core/index.ts';
import { isOfPress } from '../../../record/index.ts';
import { unitsHere } from '../units/index.ts';

/** A field of an entry's body that is a plain text, figure or yes-and-no. */
export type Plain = string | number | boolean;

export const isPlain = (value: unknown): value is Plain => ['string', 'number', 'boolean'].includes(typeof value) && !isOfPress(value);

/** What an entry is about is not what it says: those are taken back and entered anew. Inches follow from the length as typed. */
const NOT_CHANGED = new Set(['inches', 'begunId', 'stepId', 'wayId', 'catalogueVersion', 'replacesId', 'currency', 'from', 'to', 'rejoin']);

/** What is typed anew and bare is in the unit of the device here too; what was left alone stays as it was. */
export function withUnits(changed: Record<string, unknown>, before: Record<string, unknown>): Record<string, unknown> {
  const { text, pressureText } = changed;
  const isNew = (value: unknown, field: string): value is string => typeof value === 'string' && value !== before[field];
  return {
    ...changed,
    ...('inches' in changed && isNew(text, 'text') ? { text: lengthTyped(text, unitsHere()) } : {}),
    ...(isNew(pressureText, 'pressureText') ? { pressureText: pressureTyped(pressureText, unitsHere()) } : {}),
  };
}

/** The pressure too, where it was typed: of an older entry the figure is all there is. */
export const follows = (field: string, body: object): boolean => NOT_CHANGED.has(field) || (field === 'pressurePsi' && 'pressureText' in body);

const NAMES: Record<string, string> = {
  turns24: 'Turns past hand-tight',
  elapsedS: 'Watched, seconds',
  end: 'End code',
  text: 'Text',
  targetMlPerDay: 'Target, mL a day',
  recheckHours: 'Look again after, hours',
  ownStop: 'Needs its own stop',
  hidden: 'Joints will be hidden',
  arrestor: 'Needs a hammer arrestor',
  leaveOutlet: 'Leaves an outlet for another run',
  check: 'Needs a vented backflow preventer',
  stopLeak: 'Needs a stop-leak device',
  afterOsmosis: 'Comes after reverse osmosis',
  outOf: 'Comes out of the',
  pressurePsi: 'Static pressure, psi',
  pressureText: 'Static pressure',
};

export const nameOf = (field: string): string =>
  NAMES[field] ?? field.charAt(0).toUpperCase() + field.slice(1).replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

/** An empty field is no nought. */
export const figureOf = (text: string): number => (text.trim() === '' ? Number.NaN : Number(text));

/** What a field may be, where that is a list. */
export function choicesOf(shape: z.ZodMiniType, name: string): string[] | null {
  const field = (shape as unknown as { def?: { shape?: Record<string, { def?: { entries?: Record<string, string> } }> } }).def?.shape?.[name];
  return field?.def?.entries ? Object.values(field.def.entries) : null;
}
