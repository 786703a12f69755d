import { useState } from 'react';
import { newEntry } from '../../../sync/entry.ts';
import { sync } from '../../../sync/run.ts';
import { noteNewPress } from '../held/index.ts';

type Found = 'damp' | 'drip' | 'running';

interface Props {
  visitId: string;
  runId: string;
  /** Where it may leak; none where that is not known here. */
  joints?: { id: string; label: string; isJoint: boolean }[];
  label?: string;
  onReported?: () => void;
}

/** A leak that showed after the sign-off: asked for, what was found, reported. */
export function ReportCallback({ visitId, runId, joints = [], label = 'It leaks: report a callback', onReported }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  const [found, setFound] = useState<Found | null>(null);
  const [at, setAt] = useState('');
  const [text, setText] = useState('');
  const [said, setSaid] = useState('');
  const report = async () => {
    if (!found) return;
    const joint = joints.find((j) => j.id === at);
    const target = !joint ? {} : joint.isJoint ? { jointId: joint.id } : { checkPointId: joint.id };
    try {
      const [kept] = await sync.keep((deviceId) => [
        newEntry({ deviceId, visitId, runId }, 'callback-reported', { finding: found, text: text.trim() }, target),
      ]);
      noteNewPress({ entries: [{ id: kept!.entry.id, visitId, runId }], words: `Callback: ${found}`, isBack: false });
      setIsOpen(false);
      setSaid('Reported. It counts in the rates from now on.');
      onReported?.();
    } catch {
      // Said on the strip of every screen.
    }
  };
  if (!isOpen) {
    return (
      <div className="print:hidden">
        <button type="button" className="key" onClick={() => setIsOpen(true)}>
          {label}
        </button>
        <span role="status" className="ml-3">
          {said}
        </span>
      </div>
    );
  }
  return (
    <section aria-label="Report a callback" className="grid max-w-140 gap-3 border-2 border-ink bg-sheet p-3">
      <fieldset className="flex flex-wrap gap-2">
        <legend className="label">What was found</legend>
        {(['damp', 'drip', 'running'] as const).map((f) => (
          <button key={f} type="button" className="key" aria-pressed={found === f} onClick={() => setFound(f)}>
            {f}
          </button>
        ))}
      </fieldset>
      {found === 'running' && <p className="caution">Running: water off first, then power at the breaker.</p>}
      {joints.length > 0 && (
        <label className="grid gap-1">
          <span className="label">Where, if it is known</span>
          <select className="field" value={at} onChange={(e) => setAt(e.target.value)}>
            <option value="">not known</option>
            {joints.map((j) => (
              <option key={j.id} value={j.id}>
                {j.label}
              </option>
            ))}
          </select>
        </label>
      )}
      <label className="grid gap-1">
        <span className="label">In words, if there is more to say</span>
        <input className="field" maxLength={1000} value={text} onChange={(e) => setText(e.target.value)} />
      </label>
      <div className="flex gap-3">
        <button type="button" className="key key-main" disabled={!found} onClick={report}>
          Report
        </button>
        <button type="button" className="key" onClick={() => setIsOpen(false)}>
          Leave it
        </button>
      </div>
    </section>
  );
}
