/** Shapes and changes that several subjects share. */
import * as z from 'zod/mini';
import { reasonWords } from '../reasons.ts';
import { givenReason } from '../shapes.ts';
import type { Change } from './subject.ts';

/** A body that says at least one of the fields of a shape. */
export function someOf<T extends z.core.$ZodLooseShape>(fields: T) {
  return z.partial(z.strictObject(fields)).check(z.refine((body) => Object.keys(body).length > 0, 'says nothing'));
}

/** A text that may be taken away again: null or nothing clears it. */
export const clearable = (most: number) =>
  z.nullable(z.string('wants a text').check(z.trim(), z.maxLength(most, `is longer than ${most} characters`)));

export const withReason = z.strictObject({ reason: givenReason });

/** Left out of lists and pickers from then on, and brought back: history keeps it. */
export function retiring<S extends { retired: string | null }>(): Record<'retired' | 'restored', Change<never, S>> {
  const retired: Change<z.output<typeof withReason>, S> = {
    shape: withReason,
    apply: (now, { reason }) => ({ ...now, retired: reasonWords(reason) }),
    says: ({ reason }) => `retired: ${reasonWords(reason)}`,
  };
  const restored: Change<z.output<typeof withReason>, S> = {
    shape: withReason,
    apply: (now) => ({ ...now, retired: null }),
    says: ({ reason }) => `brought back: ${reasonWords(reason)}`,
  };
  return { retired, restored } as unknown as Record<'retired' | 'restored', Change<never, S>>;
}

/** 'name "Lodge kitchen", address none': fields that were set, in words. */
export function fieldsInWords(body: object, names: Record<string, string> = {}): string {
  return Object.entries(body)
    .map(([field, value]) => `${names[field] ?? field} ${valueInWords(value)}`)
    .join(', ');
}

function valueInWords(value: unknown): string {
  if (value === null || value === '') return 'none';
  if (typeof value === 'string') return `"${value}"`;
  if (Array.isArray(value)) return value.map(valueInWords).join(' and ');
  if (typeof value === 'object') return fieldsInWords(value as object) || 'none';
  return String(value);
}
