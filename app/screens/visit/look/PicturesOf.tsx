import { type Gathered, SHOWN, type Shown } from '../../../../record/index.ts';
import { Picture, useAddPictures } from '../../../ui/pictures/index.ts';

interface Props {
  visitId: string;
  runId: string;
  gathered: Gathered;
}

/** Pictures of joints: of all that have any, and of the one under work the way to take another. */
export function PicturesOfJoints({
  joints,
  now,
  ...props
}: Props & { joints: readonly { id: string; n: number; label: string }[]; now?: number | undefined }) {
  const shown = joints.filter((j) => j.n === now || props.gathered.pictures.some((p) => p.runId === props.runId && p.shows === j.id));
  return shown.map((j) => <PicturesOf key={j.id} shows={j.id} name={j.label} {...props} />);
}

/** Pictures of one thing of a run, a joint by its id, and the way to take another. */
export function PicturesOf({ visitId, runId, shows, gathered, name }: Props & { shows: Shown | string; name?: string }) {
  const of = name ?? SHOWN[shows as Shown];
  const { add, isBusy, fault } = useAddPictures(visitId);
  const here = gathered.pictures.filter((p) => p.runId === runId && p.shows === shows);
  return (
    <div className="flex flex-wrap items-center gap-2">
      {here.map((p) => (
        <Picture key={p.entryId} id={p.picture} text={p.text ?? `Picture of ${of}`} className="h-20 w-28" />
      ))}
      <label className="key cursor-pointer focus-within:outline-3 print:hidden">
        {isBusy ? 'Taking it in ...' : `Picture of ${of}`}
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
