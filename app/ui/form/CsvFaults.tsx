export interface CsvFault {
  line: number;
  column: string;
  why: string;
}

/** What is wrong in a CSV file that was not taken in, each by its line and column. */
export function CsvFaults({ faults }: { faults: CsvFault[] }) {
  if (faults.length === 0) return null;
  return (
    <ul className="list-disc pl-5">
      {faults.map((f, i) => (
        <li key={i}>
          <b>
            Line {f.line}
            {f.column && `, ${f.column}`}:
          </b>{' '}
          {f.why}
        </li>
      ))}
    </ul>
  );
}
