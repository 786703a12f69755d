import { diameter, parseEnd, quantityWords } from '../../../core/index.ts';
import { Outline } from '../../ui/drawn/index.ts';
import { EndLookup } from '../../ui/ends/index.ts';
import { useUnits } from '../../ui/units/index.ts';

/** An end as it looks, with its measures; or the way to find out. */
export function EndDrawing({ code, side, asked }: { code: string | null; side: 'from' | 'to'; asked: string }) {
  const units = useUnits();
  const words = (inches: number, places = 3) => quantityWords(diameter(inches, places), units);
  if (code === null) {
    return <EndLookup wanted={{ side, asked, run: null, on: null }} />;
  }
  const end = parseEnd(code);
  return (
    <div className="mt-1 flex min-h-22 items-center gap-4 border border-rule bg-sheet px-3 py-2">
      <Outline code={code} scale={62} />
      <div className="font-mono text-lg">
        {end.kind === 'thread' && `${words(end.thread.externalMajorIn, 4)} x ${end.thread.threadsPerIn}`}
        {end.kind === 'tube' && `${words(end.tube.odIn)} outside, ${words(end.tube.idIn)} bore`}
        {end.kind === 'socket' && `for ${words(end.odIn)} outside`}
      </div>
    </div>
  );
}
