import { useMemo } from 'react';
import { against, type MatchQuery } from '../../../../core/index.ts';
import { InUnits } from '../../../ui/units/index.ts';

/** Says what of the accepted chain no longer does what is asked of it, since more was seen or another thing asked. */
export default function StillRight({ query, parts }: { query: MatchQuery; parts: string[] }) {
  const reasons = useMemo(() => against(query, parts), [query, parts]);
  if (reasons.length === 0) return null;
  return (
    <div className="caution my-2" role="alert">
      <p>The accepted chain does not do what is asked now. Choose another, or change what is asked, with a reason:</p>
      <ul className="list-disc pl-5">
        {reasons.slice(0, 3).map((r) => (
          <li key={r.rule + r.text}>
            <InUnits said={r} />
          </li>
        ))}
      </ul>
    </div>
  );
}
