import { dropWords, ROUNDS, type Round } from '../../../../core/index.ts';
import { clock, mlPerDay, proofWords } from '../../../ui/words.ts';
import type { Target } from './target.ts';

/** What each round showed at each joint, and what that proves. */
export function Table({ targets, rounds, goal, recheck }: { targets: Target[]; rounds: Round[]; goal: number | null; recheck: string }) {
  return (
    <section className="scroll" tabIndex={0} aria-label="Rounds by joint">
      <table className="w-full">
        <thead>
          <tr className="align-bottom">
            <th>Joint</th>
            <th className="min-w-36">Still possible</th>
            {rounds.map((r) => (
              <th key={r}>{ROUNDS.find((x) => x.id === r)?.name}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {targets.map((t) => (
            <tr key={t.id} className="border-t border-rule align-top">
              <td className="min-w-28 py-2 pr-4">
                <b className="font-head text-xl">{t.label}</b> <span className="block text-sm text-soft">{t.what}</span>
              </td>
              <td className="py-2 pr-4">
                <span className={t.mlPerDay === null && !t.proven ? 'text-soft' : ''}>{proofWords(t, recheck)}</span>
                {t.mlPerDay !== null && t.mlPerDay > 0 && <span className="block text-sm text-soft">{dropWords(t.mlPerDay)}</span>}
                {t.proven && <b className="block">✓ enough</b>}
                {goal !== null && t.mlPerDay !== null && t.mlPerDay > goal && <span className="block text-sm text-soft">wants {goal}</span>}
              </td>
              {rounds.map((r) => {
                const mark = t.byRound[r];
                return (
                  <td key={r} className="py-2 pr-4">
                    {!mark ? (
                      <span className="text-soft">–</span>
                    ) : mark.state === 'dry' ? (
                      <>
                        <span className="whitespace-nowrap">dry {clock(mark.minutes * 60)}</span>
                        {mark.mlPerDay !== null && <span className="block text-sm text-soft">≤ {mlPerDay(mark.mlPerDay)} mL a day</span>}
                      </>
                    ) : (
                      <b>▲ {mark.state}</b>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
