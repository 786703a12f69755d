/** Above a sheet that is made to be printed: the way back, and the printer. A browser's own print dialog saves it as PDF. */
export function SheetKeys({ visitId }: { visitId: string }) {
  return (
    <p className="mb-4 flex flex-wrap gap-3 print:hidden">
      <a className="key" href={`/visits/${visitId}`}>
        Back to the work
      </a>
      <button type="button" className="key key-main" onClick={() => print()}>
        Print, or save as PDF
      </button>
    </p>
  );
}
