import { useState } from 'react';

/** Takes a drawing in from a file, over what is drawn already of the same ids; the server takes all of it or nothing. */
export function TakeFile({ premisesId }: { premisesId: string }) {
  const [wrong, setWrong] = useState('');
  const take = async (file: File | undefined) => {
    if (!file) return;
    setWrong('');
    try {
      const headers = { 'content-type': 'application/json' };
      const answer = await fetch(`/api/v1/premises/${premisesId}/water`, { method: 'POST', headers, body: await file.text() });
      if (answer.ok) location.reload();
      else setWrong((await answer.json()).detail ?? 'It was not taken.');
    } catch {
      setWrong('The server was not reached: files are taken with a connection.');
    }
  };
  return (
    <>
      <label className="grid max-w-110">
        <span className="label">Take a drawing in from a file</span>
        <input type="file" accept="application/json,.json" className="field py-2" onChange={(e) => void take(e.target.files?.[0])} />
      </label>
      {wrong && (
        <p role="alert" className="caution mt-2">
          {wrong}
        </p>
      )}
    </>
  );
}
