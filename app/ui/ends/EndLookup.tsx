import { type EndWanted, lookupAddress } from './end-wanted.ts';

/** The ways to find out which end it is. */
export function EndLookup({ wanted }: { wanted: EndWanted }) {
  return (
    <p className="flex flex-wrap gap-x-4">
      <a className="inline-flex min-h-12 items-center" href={lookupAddress('/gauge', wanted)}>
        I measured it
      </a>
      <a className="inline-flex min-h-12 items-center" href={lookupAddress('/ends', wanted)}>
        Choose by drawing
      </a>
    </p>
  );
}
