/** The answer in one line at the foot of a phone's screen, while what is asked fills it; leads to the whole of it. */
export function AnswerBar({ to, isAbove = false, children }: { to: string; isAbove?: boolean; children: string }) {
  return (
    <a
      href={`#${to}`}
      className="sticky bottom-0 z-10 flex min-h-14 items-center justify-between gap-3 border border-ink bg-brass-light px-3 py-1 no-underline lg:hidden"
    >
      <b>{children}</b>
      <span aria-hidden="true">{isAbove ? '↑' : '↓'}</span>
    </a>
  );
}
