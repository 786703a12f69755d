import { useEffect, useRef, useState } from 'react';
import SignaturePad from 'signature_pad';
import { say, saying } from '../../../ui/book/index.ts';
import { takePicture } from '../../../ui/pictures/index.ts';

/** At once: a browser makes a blob of a canvas when it has nothing else to do, which may be seconds away. */
function drawnNow(canvas: HTMLCanvasElement): Blob {
  const text = atob(canvas.toDataURL('image/png').split(',')[1]!);
  return new Blob([Uint8Array.from(text, (c) => c.charCodeAt(0))], { type: 'image/png' });
}

/** A name, and a field to sign in with a finger, a pen or a mouse. */
export default function SignHere({ visitId, onDone }: { visitId: string; onDone: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad | null>(null);
  const [name, setName] = useState('');
  const [isBlank, setBlank] = useState(true);
  const [fault, setFault] = useState('');
  const [isBusy, setBusy] = useState(false);
  useEffect(() => {
    const sheet = canvas.current;
    if (!sheet || !dialog.current) return;
    if (!dialog.current.open) dialog.current.showModal();
    // As many points as the glass has, so that a line is as fine as the finger draws it.
    const ratio = Math.max(1, window.devicePixelRatio);
    [sheet.width, sheet.height] = [sheet.offsetWidth * ratio, sheet.offsetHeight * ratio];
    sheet.getContext('2d')?.scale(ratio, ratio);
    const drawing = new SignaturePad(sheet, { backgroundColor: 'rgb(255, 255, 255)', penColor: 'rgb(20, 24, 30)' });
    drawing.addEventListener('endStroke', () => setBlank(drawing.isEmpty()));
    pad.current = drawing;
    return () => drawing.off();
  }, []);
  const keep = async () => {
    if (isBusy) return;
    setBusy(true);
    try {
      const taken = await takePicture(drawnNow(canvas.current!));
      if (await say([saying('visit', visitId, 'signed', { name: name.trim(), ...taken })], `Signed by ${name.trim()}`)) onDone();
    } catch (error) {
      setFault((error as Error).message);
    }
    setBusy(false);
  };
  return (
    <dialog ref={dialog} className="m-auto w-full max-w-180 border border-ink bg-sheet p-4 text-ink" aria-labelledby="sign-title" onClose={onDone}>
      <form
        className="grid gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <h2 id="sign-title">Sign on glass</h2>
        <label className="grid gap-1">
          <span className="label">Name of the one who signs</span>
          <input className="field" required maxLength={200} autoComplete="off" value={name} onChange={(e) => setName(e.target.value)} />
        </label>
        <canvas ref={canvas} className="h-56 w-full touch-none border-2 border-ink bg-white" aria-label="Field to sign in" role="img" />
        <p className="text-soft">The signature says that the work was shown, no more than that.</p>
        <p className="caution empty:hidden" role="alert">
          {fault}
        </p>
        <div className="flex flex-wrap gap-3">
          <button type="submit" className="key key-main" disabled={isBlank || isBusy || name.trim() === ''}>
            {isBusy ? 'Keeping it ...' : 'Keep it'}
          </button>
          <button
            type="button"
            className="key"
            onClick={() => {
              pad.current?.clear();
              setBlank(true);
            }}
          >
            Wipe
          </button>
          <button type="button" className="key" onClick={() => dialog.current?.close()}>
            Leave it
          </button>
        </div>
      </form>
    </dialog>
  );
}
