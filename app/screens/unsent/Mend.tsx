import type * as z from 'zod/mini';
import { isBookEntry, kindOf, subjectOf } from '../../../record/index.ts';
import type { Outgoing } from '../../../sync/device.ts';
import { Fields } from '../../ui/form/index.ts';

/** Puts a refused entry right: its plain fields can be changed; it is kept anew, checked by its kind's own shape. */
export function Mend({ of: { entry }, onMend }: { of: Outgoing; onMend: (body: unknown) => void }) {
  const of = isBookEntry(entry) ? (subjectOf(entry.subject.kind).changes[entry.change] as { shape: z.ZodMiniType } | undefined) : kindOf(entry.kind);
  if (!of) return <p className="text-soft">Nothing of it can be changed by itself: put it away, and enter it again.</p>;
  return <Fields of={of} body={entry.body as Record<string, unknown>} submit="Keep it mended, and send it" onRead={onMend} />;
}
