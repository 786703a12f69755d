import type { Outgoing } from '../../../sync/device.ts';
import { Fields } from '../../ui/Fields.tsx';

/** Puts a refused entry right: its plain fields can be changed; it is kept anew, checked by its kind's own shape. */
export function Mend({ of, onMend }: { of: Outgoing; onMend: (body: unknown) => void }) {
  return <Fields kind={of.entry.kind} body={of.entry.body as Record<string, unknown>} submit="Keep it mended, and send it" onRead={onMend} />;
}
