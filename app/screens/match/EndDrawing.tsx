import { parseEnd } from '../../../core/index.ts';
import { EndLookup } from '../../ui/EndLookup.tsx';
import { Outline } from '../../ui/Outline.tsx';

/** An end as it looks, with its measures; or the way to find out. */
export function EndDrawing({ code, side, asked }: { code: string | null; side: 'from' | 'to'; asked: string }) {
  if (code === null) {
    return <EndLookup wanted={{ side, asked, run: null, on: null }} />;
  }
  const end = parseEnd(code);
  return (
    <div className="mt-1 flex min-h-22 items-center gap-4 border border-rule bg-sheet px-3 py-2">
      <Outline code={code} scale={62} />
      <div className="font-mono text-lg">
        {end.kind === 'thread' && `${end.thread.externalMajorIn.toFixed(4)} in x ${end.thread.threadsPerIn}`}
        {end.kind === 'tube' && `${end.tube.odIn.toFixed(3)} in outside, ${end.tube.idIn.toFixed(3)} in bore`}
        {end.kind === 'socket' && `for ${end.odIn.toFixed(3)} in outside`}
      </div>
    </div>
  );
}
