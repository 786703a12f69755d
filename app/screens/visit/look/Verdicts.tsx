import { type Cause, type Judgement, type Judgements, type Urgency, withQuantities } from '../../../../core/index.ts';
import { Fold } from '../../../ui/form/index.ts';
import { InUnits } from '../../../ui/units/index.ts';
import { OF, type OldLine, VERDICTS, whatFollows } from './what-follows.ts';

/** A verdict in a word, its first reason beside it, the others behind. */
export function VerdictRow({ judgement: { of, verdict, urgency, because } }: { judgement: Judgement }) {
  const [first, ...others] = because;
  return (
    <div className="border-l-4 border-ink bg-sheet px-3 py-2">
      <span aria-hidden="true">{VERDICTS[verdict].mark}</span> {OF[of]}: <b>{VERDICTS[verdict].name}</b>
      {urgency && ` ${WHEN[urgency]}`}. {first && <InUnits said={first} />}
      {first?.source && <span className="text-sm text-soft"> ({first.source})</span>}
      {others.length > 0 && (
        <details className="why">
          <summary>{others.length === 1 ? 'One more reason' : `${others.length} more reasons`}</summary>
          <ul className="list-disc pl-5">
            {others.map((r) => (
              <li key={r.rule}>
                <InUnits said={r} />
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

const WHEN: Record<Urgency, string> = { now: 'now', visit: 'with this visit', house: 'with this visit (house rule)' };

const WAITS = { keep: 'whether the old line may stay', match: 'the chain', make: 'the work' } as const;

/** All that Look makes of what was found, the heaviest first; what stays open, with what it decides. */
export function Verdicts({ judged, decided }: { judged: Judgements & { causes: Cause[] }; decided: OldLine }) {
  const { judgements, unknowns, blocked } = judged;
  const heavy = judgements.filter((j) => j.verdict !== 'keep');
  const known = whatFollows(judgements, decided);
  return (
    <Fold title="What follows" known={known} isAsked={false}>
      {judgements.length === 0 && <p className="text-soft">Verdicts stand here as it is looked at.</p>}
      {[...heavy, ...judgements.filter((j) => j.verdict === 'keep')].map((j) => (
        <VerdictRow key={j.of} judgement={j} />
      ))}
      {unknowns.length > 0 && (
        <details className="why">
          <summary>
            Not known yet: {unknowns.length}
            {blocked.length > 0 && `; may hold up: ${blocked.map((b) => WAITS[b]).join(', ')}`}
          </summary>
          <ul className="list-disc pl-5">
            {unknowns.map((u) => (
              <li key={u.fact}>
                <b>{u.name}</b>: decides <InUnits said={withQuantities(u.decides)} />
                {u.blocks !== 'no' && ` (may hold up ${WAITS[u.blocks]})`}
              </li>
            ))}
          </ul>
        </details>
      )}
    </Fold>
  );
}
