import { useMemo } from 'react';
import { type MatchQuery, whyNot } from '../../../core/index.ts';
import { InUnits } from '../../ui/InUnits.tsx';

/** Of what may stand against a chain, what says nothing of what is asked: a dearer one may be wanted, and the catalogue goes on. */
const NOT_ASKED: readonly string[] = ['idle', 'marginal', 'unknown-part'];

/** Says what of the accepted chain no longer does what is asked of it, since more was seen or another thing asked. */
export default function StillRight({ query, parts }: { query: MatchQuery; parts: string[] }) {
  const against = useMemo(() => {
    const reasons = whyNot(query, parts);
    return reasons.some((r) => r.rule === 'unknown-part') ? [] : reasons.filter((r) => !NOT_ASKED.includes(r.rule));
  }, [query, parts]);
  if (against.length === 0) return null;
  return (
    <div className="caution my-2" role="alert">
      <p>The accepted chain does not do what is asked now. Choose another, or change what is asked, with a reason:</p>
      <ul className="list-disc pl-5">
        {against.slice(0, 3).map((r) => (
          <li key={r.rule + r.text}>
            <InUnits said={r} />
          </li>
        ))}
      </ul>
    </div>
  );
}
