import { SHOWN, type Shown } from '../../../../record/visit/gathered.ts';
import type { Gathered } from '../../../../record/visit/states.ts';
import { Picture } from '../../../ui/Picture.tsx';
import { useAddPictures } from '../../../ui/use-add-pictures.ts';

/** Pictures of one thing of a run, and the way to take another. */
export function PicturesOf({ visitId, runId, shows, gathered }: { visitId: string; runId: string; shows: Shown; gathered: Gathered }) {
  const { add, isBusy, fault } = useAddPictures(visitId);
  const here = gathered.pictures.filter((p) => p.runId === runId && p.shows === shows);
  return (
    <div className="flex flex-wrap items-center gap-2">
      {here.map((p) => (
        <Picture key={p.entryId} id={p.picture} text={p.text ?? `Picture of ${SHOWN[shows]}`} className="h-20 w-28" />
      ))}
      <label className="key cursor-pointer focus-within:outline-3 print:hidden">
        {isBusy ? 'Taking it in ...' : `Picture of ${SHOWN[shows]}`}
        <input
          type="file"
          accept="image/*"
          className="sr-only"
          disabled={isBusy}
          onChange={async (e) => {
            const input = e.target;
            await add(input.files, { runId, shows });
            input.value = '';
          }}
        />
      </label>
      {fault && (
        <p className="caution" role="alert">
          {fault}
        </p>
      )}
    </div>
  );
}
