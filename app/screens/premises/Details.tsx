import { useState } from 'react';
import type { Contact, PremisesBook } from '../../../record/index.ts';
import { say, saying } from '../../ui/book/index.ts';
import { KeptField, ReasonForm } from '../../ui/form/index.ts';

const CONTACT: [keyof Contact, string, string][] = [
  ['name', 'Who to ask for', 'text'],
  ['phone', 'Telephone', 'tel'],
  ['email', 'E-mail', 'email'],
  ['note', 'Note', 'text'],
];

/** Address, access, quiet hours and contact: each kept when one goes on from its field. */
export function Details({ book: { premises } }: { book: PremisesBook }) {
  const [asks, setAsks] = useState<'erase' | 'retire' | null>(null);
  const set = (body: Record<string, unknown>, words: string) => say([saying('premises', premises.id, 'changed', body)], words);
  const text = (field: 'name' | 'address' | 'access' | 'mainValve', label: string) => (
    <KeptField
      label={label}
      isLong={field !== 'name'}
      value={premises[field] ?? ''}
      onKeep={(value) => (field === 'name' && value === '' ? undefined : set({ [field]: value || null }, `${label} changed`))}
    />
  );
  const quiet = premises.quiet ?? { from: '', to: '' };
  const contact = premises.contact ?? {};
  return (
    <section aria-label="Details" className="grid gap-3">
      <h2 className="border-b border-ink pb-1">Details</h2>
      {text('name', 'Name')}
      {text('address', 'Address')}
      {text('access', 'How to get in')}
      {text('mainValve', 'Where the main valve is')}
      <div className="grid grid-cols-2 gap-3">
        {(['from', 'to'] as const).map((side) => (
          <KeptField
            key={side}
            label={side === 'from' ? 'Quiet from' : 'Quiet to'}
            type="time"
            value={quiet[side]}
            onKeep={(value) => {
              const next = { ...quiet, [side]: value };
              if (next.from && next.to) set({ quiet: next }, 'Quiet hours changed');
              else if (premises.quiet) set({ quiet: null }, 'Quiet hours taken away');
              else set({ quiet: { from: next.from || '21:00', to: next.to || '07:00' } }, 'Quiet hours written down');
            }}
          />
        ))}
      </div>
      <h3>Contact</h3>
      {CONTACT.map(([field, label, type]) => (
        <KeptField
          key={field}
          label={label}
          type={type}
          value={contact[field] ?? ''}
          onKeep={(value) => set({ contact: { ...contact, [field]: value || null } }, `${label} changed`)}
        />
      ))}
      {asks === 'erase' ? (
        <div className="grid gap-2 border border-ink p-3">
          <p>
            <b>What goes:</b> name, telephone, e-mail and note, here and in every entry that said them, on the server and on every device, for good.
          </p>
          <p>
            <b>What stays:</b> the address, and all that was done here, with who signed for it and what was pictured. Those are taken back on their
            visit.
          </p>
          <div className="flex flex-wrap gap-3">
            <button
              type="button"
              className="key"
              onClick={() => {
                setAsks(null);
                say([saying('premises', premises.id, 'contact-erased')], null);
              }}
            >
              Erase it for good
            </button>
            <button type="button" className="key" onClick={() => setAsks(null)}>
              Leave it
            </button>
          </div>
        </div>
      ) : (
        premises.contact && (
          <button type="button" className="key justify-self-start" onClick={() => setAsks('erase')}>
            Erase contact
          </button>
        )
      )}
      {premises.retired === null &&
        (asks === 'retire' ? (
          <ReasonForm
            label="Why it is retired; it goes from lists, its history stays"
            submit="Retire it"
            onReason={(reason) => {
              setAsks(null);
              say([saying('premises', premises.id, 'retired', { reason })], `${premises.name} retired`);
            }}
          >
            <button type="button" className="key" onClick={() => setAsks(null)}>
              Leave it
            </button>
          </ReasonForm>
        ) : (
          <button type="button" className="key justify-self-start" onClick={() => setAsks('retire')}>
            Retire these premises
          </button>
        ))}
    </section>
  );
}
