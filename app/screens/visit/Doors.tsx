import type { VisitSheet } from '../../../record/index.ts';

/** What opens beside the work of a visit. */
export type Beside = 'plan' | 'follow-up' | 'gathered';

export const gatheredCount = ({ gathered: { pictures, notes, signatures } }: VisitSheet): number =>
  pictures.length + notes.length + signatures.length;

const NAMES: Record<Beside, string> = { plan: 'Plan of the visit', 'follow-up': 'To follow up', gathered: 'Pictures, notes, signature' };
const nameOf = (door: Beside, gathered: number): string => (door === 'gathered' && gathered > 0 ? `${NAMES[door]} (${gathered})` : NAMES[door]);

/** Sheets and files of the visit. */
const LINKS: [path: (visitId: string) => string, name: string][] = [
  [(id) => `/visits/${id}?show=card`, 'Work cards, what to have along'],
  [(id) => `/visits/${id}?show=estimate`, 'Estimate'],
  [(id) => `/visits/${id}?show=report`, 'Report for the customer'],
  [(id) => `/api/v1/visits/${id}/file`, 'Export this visit'],
];

interface Props {
  visitId: string;
  gathered: number;
  open: Beside | null;
  onOpen: (door: Beside | null) => void;
  onAlarm: () => void;
}

/** At a table: beside the runs. */
export function Doors({ visitId, gathered, open, onOpen, onAlarm }: Props) {
  return (
    <div className="grid gap-2 px-4 max-lg:hidden lg:py-3 print:hidden">
      <button type="button" className="key key-alarm" onClick={onAlarm}>
        Running? Water off now
      </button>
      {(Object.keys(NAMES) as Beside[]).map((door) => (
        <button key={door} type="button" className="key text-left" aria-expanded={open === door} onClick={() => onOpen(open === door ? null : door)}>
          {nameOf(door, gathered)}
        </button>
      ))}
      {LINKS.map(([path, name]) => (
        <a key={name} className="inline-flex min-h-8 items-center" href={path(visitId)}>
          {name}
        </a>
      ))}
    </div>
  );
}

/** On a phone: below the work. */
export function PhoneDoors({ visitId, gathered, onOpen }: Pick<Props, 'visitId' | 'gathered' | 'onOpen'>) {
  return (
    <p className="flex flex-wrap gap-4 px-4 py-2 lg:hidden print:hidden">
      {(Object.keys(NAMES) as Beside[]).map((door) => (
        <button
          key={door}
          type="button"
          className="inline-flex min-h-12 cursor-pointer items-center underline"
          onClick={() => {
            onOpen(door);
            window.scrollTo({ top: 0 });
          }}
        >
          {nameOf(door, gathered)}
        </button>
      ))}
      {LINKS.map(([path, name]) => (
        <a key={name} className="inline-flex min-h-12 items-center" href={path(visitId)}>
          {name}
        </a>
      ))}
    </p>
  );
}
