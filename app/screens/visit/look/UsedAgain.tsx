import { mayReuse, type ReuseRow } from '../../../../core/index.ts';
import { Choices } from '../../../ui/form/index.ts';
import { Reasons } from '../../../ui/units/index.ts';
import type { StageProps } from '../stage-props.ts';

type Props = Pick<StageProps, 'run' | 'context' | 'state' | 'write' | 'catalogue'>;

/** What was on before and goes on again: each thing on its conditions, one by one. */
export function UsedAgain({ run, context: { look }, state, write, catalogue }: Props) {
  const { reuse: kept } = state.survey;
  const chosen = look.reuse.filter((row) => kept[row.what]);
  const others = look.reuse.filter((row) => !kept[row.what]);
  const say = (what: string, is: boolean, holds: string[] = [], fails: string[] = []) => write('reuse-seen', run.id, { what, is, holds, fails });
  return (
    <>
      {chosen.map((row) => (
        <Thing key={row.what} {...{ row, look, catalogue }} kept={kept[row.what]!} onSaid={(...said) => say(row.what, ...said)} />
      ))}
      {others.length > 0 && (
        <div className="flex flex-wrap items-center gap-2">
          <span className="label">{chosen.length > 0 ? 'And again' : 'Would go on again'}</span>
          {others.map((row) => (
            <button key={row.what} type="button" className="key" onClick={() => say(row.what, true)}>
              {row.name}
            </button>
          ))}
        </div>
      )}
    </>
  );
}

interface ThingProps {
  row: ReuseRow;
  look: StageProps['context']['look'];
  catalogue: StageProps['catalogue'];
  kept: { holds: string[]; fails: string[] };
  onSaid: (is: boolean, holds?: string[], fails?: string[]) => void;
}

function Thing({ row, look, catalogue, kept, onSaid }: ThingProps) {
  const answers = Object.fromEntries([...kept.holds.map((ask) => [ask, true]), ...kept.fails.map((ask) => [ask, false])]);
  const { may, because } = mayReuse(row.what, answers, look, catalogue.rules);
  const [first, ...more] = because;
  /** A house that uses nothing again looks at nothing. */
  const isAsked = catalogue.rules.connector !== 'new';
  const answer = (ask: string, isSo: boolean) => {
    const now = { ...answers, [ask]: isSo };
    const those = (is: boolean) => row.asks.filter((a) => now[a] === is);
    onSaid(true, those(true), those(false));
  };
  return (
    <section aria-label={row.name} className="grid gap-2 border-l-4 border-rule pl-3">
      {isAsked &&
        row.asks.map((ask) => (
          <Choices
            key={ask}
            legend={`${row.name}: ${ask}`}
            options={[
              ['yes', 'yes'],
              ['no', 'no'],
            ]}
            value={answers[ask] === undefined ? null : answers[ask] ? 'yes' : 'no'}
            onChange={(to) => answer(ask, to === 'yes')}
          />
        ))}
      <p>
        <span aria-hidden="true">{may ? '○' : '●'}</span> <b>{may ? 'It may go on again.' : 'A new one.'}</b> {first?.text}
      </p>
      {more.length > 0 && <Reasons because={more} />}
      <button type="button" className="key justify-self-start" onClick={() => onSaid(false)}>
        It does not go on again
      </button>
    </section>
  );
}
