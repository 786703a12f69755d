import { allEndCodes, asTold, endLabel, readEnd } from '../../../../core/index.ts';
import { get } from '../../../http/door/index.ts';

/** Every end there is; with `q` the readings of what a person typed, best first. */
export const GET = get(({ url }) => {
  const typed = url.searchParams.get('q');
  const ends = typed === null ? allEndCodes.map((end) => ({ end })) : readEnd(asTold(typed.slice(0, 200)));
  return { ends: ends.map((e) => ({ ...e, label: endLabel(e.end) })) };
});
