/** How much of the most: a bar under a row of a ranked list. What it means stands in words beside it. */
export function RankBar({ part, isSoft = false }: { part: number; isSoft?: boolean }) {
  return (
    <svg viewBox="0 0 100 12" preserveAspectRatio="none" className="col-span-2 h-3 w-full" aria-hidden="true">
      <rect x="0" y="0" width={100 * Math.min(1, Math.max(0, part))} height="12" className={isSoft ? 'fill-brass' : 'fill-ink'} />
    </svg>
  );
}
