import { taskMonths } from '../../../../core/index.ts';
import { howSeen, signSheetOf, type TaskRules } from '../../../../record/index.ts';
import type { ClientCatalogue } from '../../../ui/held/index.ts';
import type { StageProps } from '../stage-props.ts';
import { stillPossible } from './still-possible.ts';

/** What the run is signed off with: evidence by joint, what was used again, what departs, what is hidden, what is next. */
export default function SignSheet({ run, state, catalogue, timeZone }: Pick<StageProps, 'run' | 'state' | 'catalogue' | 'timeZone'>) {
  const sheet = signSheetOf(state, run.applianceKind, taskRulesIn(catalogue), timeZone);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <section aria-label="Joints and their evidence">
        <ul>
          {sheet.joints.map((j) => (
            <li
              key={j.id}
              className="grid grid-cols-[minmax(0,1fr)] gap-x-4 border-t border-rule py-2 md:grid-cols-[minmax(0,4fr)_minmax(0,5fr)_minmax(0,3fr)]"
            >
              <span>
                <b className="font-head text-lg">{j.label}</b> <span className="text-soft">{[j.between, j.seal].filter(Boolean).join(', ')}</span>
                {j.turns && <span className="block">{j.turns}</span>}
              </span>
              <span>{howSeen(j)}</span>
              <span>
                {stillPossible(j)}
                {j.proven && ' ✓'}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <dl className="grid grid-cols-[minmax(0,1fr)] gap-x-4 md:grid-cols-[9rem_minmax(0,1fr)] md:gap-y-1">
        <Row name="Used again" lines={sheet.reused} none="nothing" />
        <Row name="Departs" lines={sheet.departures.map((d) => `${d.what}: ${d.reason}`)} none="nothing" />
        <Row name="Hidden" lines={sheet.hidden.length > 0 ? [`${sheet.hidden.join(', ')}: behind wall or floor`] : []} none="no joint" />
        {sheet.rinsed !== null && <Row name="Rinse" lines={[sheet.rinsed ? 'done' : 'not done: let it run before anybody drinks of it']} none="" />}
        <Row name="Tried" lines={sheet.tried} none="" />
        <Row name="Next" lines={sheet.next.map((n) => `${n.on}  ${n.what}`)} none={state.signedOff ? 'nothing' : 'told once it is signed off'} />
      </dl>
    </div>
  );
}

/** A page may hold a catalogue of before there was anything due. */
const taskRulesIn = ({ duties = [], look, rules }: ClientCatalogue): TaskRules => ({ rows: duties, months: taskMonths(duties, look.ages, rules) });

function Row({ name, lines, none }: { name: string; lines: string[]; none: string }) {
  if (lines.length === 0 && none === '') return null;
  return (
    <>
      <dt className="label">{name}</dt>
      <dd>{lines.length === 0 ? <span className="text-soft">{none}</span> : lines.map((line) => <div key={line}>{line}</div>)}</dd>
    </>
  );
}
