/** A stage as a mark: full where it is done, ringed where it was skipped, brass where the work stands. */
export function pipOf(is: 'open' | 'done' | 'skipped', isHere: boolean): string {
  if (is === 'done') return 'bg-ink';
  if (is === 'skipped') return 'border border-ink bg-sheet';
  return isHere ? 'bg-brass' : 'bg-faint';
}
