import { useRef, useState } from 'react';
import { pressReason, type RunRow, SHOWN, type Shown, type VisitSheet } from '../../../record/index.ts';
import { say, saying } from '../../ui/book/index.ts';
import { fetched, Select } from '../../ui/form/index.ts';
import { Picture, useAddPictures } from '../../ui/pictures/index.ts';
import { localTime } from '../../ui/words.ts';

const SignHere = fetched('The field to sign in', () => import('./log/SignHere.tsx'));

interface Props {
  sheet: VisitSheet;
  run: RunRow;
  /** Of the run that is open. */
  joints: readonly { id: string; label: string }[];
  onClose: () => void;
}

/** Beside the work: pictures, notes and who signed, of the run that is open or of the visit as a whole. */
export default function Gathered({ sheet, run, joints, onClose }: Props) {
  const { visit, gathered } = sheet;
  const zone = visit.premises.timeZone;
  const [ofRun, setOfRun] = useState(true);
  const [text, setText] = useState('');
  const [shows, setShows] = useState('');
  const [signs, setSigns] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const about = ofRun ? { runId: run.id } : {};
  const nameOf = (runId: string | null) => (runId === null ? 'the visit' : (sheet.runs.find((r) => r.id === runId)?.name ?? 'another run'));

  const { add, isBusy, fault } = useAddPictures(visit.id);
  const take = async (files: FileList | null) => {
    const said = text.trim();
    if (await add(files, { ...about, ...(ofRun && shows ? { shows } : {}), ...(said ? { text: said } : {}) })) setText('');
    if (file.current) file.current.value = '';
  };
  /** What of its run a picture shows: the name of a joint that is there no more is a joint. */
  const shownOf = (what: string | undefined): string | null => {
    if (what === undefined) return null;
    return what in SHOWN ? SHOWN[what as Shown] : (joints.find((j) => j.id === what)?.label ?? 'a joint');
  };
  const note = async () => {
    if (text.trim() !== '' && (await say([saying('visit', visit.id, 'noted', { text: text.trim(), ...about })], 'Noted'))) setText('');
  };
  const back = (entryId: string, words: string) =>
    say([saying('visit', visit.id, 'withdrawn', { reason: pressReason('taken-back') }, entryId)], words, true);

  return (
    <section aria-label="Pictures, notes, signature" className="grid gap-3 border-b border-ink bg-sheet p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="min-w-0 flex-1">Pictures, notes, signature</h2>
        <button type="button" className="key" onClick={onClose}>
          Close
        </button>
      </div>
      <div className="flex flex-wrap gap-2" role="radiogroup" aria-label="It is of">
        {[true, false].map((is) => (
          <label key={String(is)} className="choice">
            <input type="radio" name="it-is-of" className="size-5" checked={ofRun === is} onChange={() => setOfRun(is)} />{' '}
            {is ? run.name : 'the visit as a whole'}
          </label>
        ))}
      </div>
      {ofRun && (
        <Select
          label="A picture shows"
          value={shows}
          options={[['', 'the run as a whole'], ...Object.entries(SHOWN), ...joints.map((j): [string, string] => [j.id, `joint ${j.label}`])]}
          onChange={setShows}
        />
      )}
      <label className="grid gap-1">
        <span className="label">A note, or what the next picture shows</span>
        <textarea className="field min-h-12 py-2" rows={1} maxLength={2000} value={text} onChange={(e) => setText(e.target.value)} />
      </label>
      <div className="flex flex-wrap items-center gap-3">
        <label className="key key-main cursor-pointer focus-within:outline-3">
          {isBusy ? 'Taking it in ...' : 'Add pictures'}
          <input ref={file} type="file" accept="image/*" multiple className="sr-only" disabled={isBusy} onChange={(e) => take(e.target.files)} />
        </label>
        <button type="button" className="key" disabled={text.trim() === ''} onClick={note}>
          Keep as a note
        </button>
        <button type="button" className="key" onClick={() => setSigns(true)}>
          Sign on glass
        </button>
      </div>
      <p className="caution empty:hidden" role="alert">
        {fault}
      </p>
      <p className="text-soft">
        Up to 12 MB each. Where and when a picture was taken, and with what, is cut from it before it leaves this device. Ask before people or their
        things are seen in it.
      </p>
      {signs && <SignHere visitId={visit.id} onDone={() => setSigns(false)} />}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(9rem,1fr))] gap-3">
        {[...gathered.pictures].reverse().map((p) => (
          <li key={p.entryId} className="grid content-start gap-1">
            <Picture id={p.picture} text={p.text ?? `Picture of ${nameOf(p.runId)}`} className="h-32" />
            <span className="text-sm">
              {p.text && <b className="block">{p.text}</b>}
              {[nameOf(p.runId), shownOf(p.shows)].filter(Boolean).join(', ')}, {localTime(p.atMs, zone)}
            </span>
            <button
              type="button"
              className="min-h-11 cursor-pointer justify-self-start underline"
              onClick={() => back(p.entryId, 'Picture taken back')}
            >
              Take back
            </button>
          </li>
        ))}
      </ul>
      <ul>
        {gathered.notes.map((n) => (
          <li key={n.entryId} className="flex flex-wrap items-baseline gap-3 border-t border-faint py-1">
            <span className="min-w-0 flex-1">
              {n.text}{' '}
              <span className="text-soft">
                {nameOf(n.runId)}, {localTime(n.atMs, zone)}
              </span>
            </span>
            <button type="button" className="min-h-11 cursor-pointer underline" onClick={() => back(n.entryId, 'Note taken back')}>
              Take back
            </button>
          </li>
        ))}
        {gathered.signatures.map((s) => (
          <li key={s.entryId} className="flex flex-wrap items-center gap-3 border-t border-faint py-1">
            <Picture id={s.picture} text={`Signature of ${s.name}`} className="h-16 w-40 bg-white" />
            <span className="min-w-0 flex-1">
              Signed by <b>{s.name}</b> {localTime(s.atMs, zone)}
            </span>
            <button type="button" className="min-h-11 cursor-pointer underline" onClick={() => back(s.entryId, 'Signature taken back')}>
              Take back
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
