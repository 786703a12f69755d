import { useState } from 'react';
import type { HouseChoice } from '../../../catalog/house-rules.ts';
import {
  type AgeRow,
  defaultRules,
  type HouseRules,
  readFraction,
  type Seal,
  type TaskRow,
  turns24,
  writeFraction,
  writeTurns,
} from '../../../core/index.ts';
import { type FieldConflict, pressReason, type RulesChange, rulesAfter, rulesChanged, ruleWords } from '../../../record/index.ts';
import type { RulesVersion } from '../../../store/queries/index.ts';
import { say, saying } from '../../ui/book/index.ts';
import { useOfShop } from '../../ui/held/index.ts';
import { type Figure, figuresOf } from './figures.ts';

interface Props {
  initial: RulesVersion;
  shopId: string;
  choices: HouseChoice[];
  seals: Seal[];
  duties: TaskRow[];
  ages: AgeRow[];
  /** Of the shop: what the weights are said in. */
  currency: string;
}

/** The shop's choices where good plumbers disagree, each with both sides' reasons; every change is a new version with its own. */
export default function Rules({ initial, shopId, choices, seals, duties, ages, currency }: Props) {
  const here = useOfShop('rules');
  const kept = here?.state ?? initial;
  const conflicts = here?.conflicts ?? initial.conflicts;
  /** What is chosen here and not kept yet. */
  const [chosen, setChosen] = useState<RulesChange>({});
  const rules = rulesAfter(kept.rules, chosen);
  const setRules = (now: HouseRules) => setChosen(rulesChanged(kept.rules, now));
  const [reason, setReason] = useState('');
  // Another window may have kept the same meanwhile.
  const open = rulesChanged(kept.rules, rules);
  const changed = Object.keys(open).length > 0;
  const save = async () => {
    if (!(await say([saying('rules', shopId, 'changed', { rules: open, reason })], 'House rules changed'))) return;
    setChosen({});
    setReason('');
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="min-w-0">
        <h1>House rules</h1>
        <p className="text-soft">Where good plumbers disagree, the shop decides. Local code and the maker's instructions come first.</p>
        {choices.map((c) => (
          <fieldset key={c.key} className="mt-4 border-t border-rule pt-2">
            <legend className="font-head text-xl font-semibold">{c.title}</legend>
            <p className="text-soft">Changes {c.changes}.</p>
            <div className="mt-1 grid gap-2 md:grid-cols-2">
              {c.options.map((o) => (
                <label key={o.value} className="choice items-start py-2">
                  <input
                    type="radio"
                    name={c.key}
                    className="mt-1 size-5 shrink-0"
                    checked={String(rules[c.key as keyof HouseRules]) === o.value}
                    onChange={() => setRules({ ...rules, [c.key]: o.value } as HouseRules)}
                  />
                  <span>
                    <b>{o.label}</b>
                    {String(defaultRules[c.key as keyof HouseRules]) === o.value && ' (usual)'}
                    <span className="block">{o.reason}</span>
                  </span>
                </label>
              ))}
            </div>
          </fieldset>
        ))}
        <section className="mt-4 border-t border-rule pt-2">
          <h2>Figures</h2>
          <div className="grid gap-3 md:grid-cols-2">
            {figuresOf(duties, ages, currency).map((f) => (
              <NumberField key={f.title} figure={f} value={f.read(rules)} onChange={(n) => setRules(f.write(rules, n))} />
            ))}
          </div>
        </section>
        <section className="mt-4 border-t border-rule pt-2">
          <h2>Turns past hand-tight</h2>
          <p className="text-soft">Typical figures; the maker's sheet overrides them. Never past the most that a joint takes.</p>
          <section className="scroll" tabIndex={0} aria-label="Turns by seal">
            <table className="w-full">
              <thead>
                <tr>
                  <th>Seal</th>
                  <th>Usual range</th>
                  <th>House</th>
                  <th>Most</th>
                </tr>
              </thead>
              <tbody>
                {seals
                  .filter((s) => s.turns)
                  .map((s) => (
                    <tr key={s.id} className="border-t border-rule">
                      <td className="py-1 pr-4">{s.name}</td>
                      <td className="pr-4 whitespace-nowrap">
                        {writeFraction(s.turns!.from, 24)} to {writeTurns(turns24(s.turns!.to))}
                      </td>
                      <td className="pr-4">
                        <TurnsField
                          seal={s}
                          value={rules.turns[s.id]}
                          onChange={(turns) => setRules({ ...rules, turns: withTurns(rules.turns, s.id, turns) })}
                        />
                      </td>
                      <td className="whitespace-nowrap">{writeTurns(turns24(s.turns!.most))}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </section>
        </section>
      </div>
      <aside className="grid content-start gap-3 lg:sticky lg:top-4 lg:self-start">
        <h2>{kept.version === 0 ? 'The usual rules are in force' : `Changed ${kept.version === 1 ? 'once' : `${kept.version} times`}`}</h2>
        {kept.reason && <p>"{kept.reason}"</p>}
        <SaidTwice
          conflicts={conflicts}
          onSettle={(field, value) =>
            say([saying('rules', shopId, 'changed', { rules: { [field]: value }, reason: pressReason('settled') })], 'House rule settled')
          }
        />
        {changed ? (
          <>
            <label className="grid gap-1">
              <span className="label">Why the house does it so</span>
              <textarea className="field min-h-24 py-2" maxLength={1000} value={reason} onChange={(e) => setReason(e.target.value)} />
            </label>
            <button type="button" className="key key-main" disabled={reason.trim() === ''} onClick={save}>
              Keep
            </button>
            <button type="button" className="key" onClick={() => setChosen({})}>
              Leave as it was
            </button>
          </>
        ) : (
          <p className="text-soft">Nothing changed yet. What was accepted before keeps the rules it was accepted under.</p>
        )}
      </aside>
    </div>
  );
}

/** Two devices changed the same rule without knowing of each other: both are shown, and one press settles it. */
function SaidTwice({ conflicts, onSettle }: { conflicts: FieldConflict[]; onSettle: (field: string, value: unknown) => void }) {
  return conflicts.map(({ field, values }) => (
    <section key={field} aria-label="Said twice" className="border-2 border-ink p-3">
      <h3>{ruleWords(field, null)}: two devices said this</h3>
      {[...values].reverse().map((value, i) => (
        <button key={JSON.stringify(value)} type="button" className="key mt-2 w-full" onClick={() => onSettle(field, value)}>
          {typeof value === 'object' ? JSON.stringify(value) : String(value)}{' '}
          {i === 0 && <span className="font-text text-base font-normal">stands now</span>}
        </button>
      ))}
    </section>
  ));
}

function withTurns(turns: HouseRules['turns'], id: Seal['id'], value: number | null): HouseRules['turns'] {
  const { [id]: _, ...others } = turns;
  return value === null ? others : { ...others, [id]: value };
}

/** A figure above nought, typed; what does not read is said and not taken. */
function NumberField({ figure: f, value, onChange }: { figure: Figure; value: number; onChange: (n: number) => void }) {
  const [text, setText] = useState(String(value));
  const [bad, setBad] = useState(false);
  const type = (next: string) => {
    setText(next);
    const n = Number(next);
    const good = next.trim() !== '' && Number.isFinite(n) && n > 0 && n <= f.most && (!f.whole || Number.isInteger(n));
    setBad(!good);
    if (good) onChange(n);
  };
  return (
    <label className="grid content-start gap-1">
      <span className="label">
        {f.title} ({f.unit})
      </span>
      <input
        className="field max-w-40"
        inputMode={f.whole ? 'numeric' : 'decimal'}
        maxLength={12}
        value={text}
        aria-invalid={bad}
        onChange={(e) => type(e.target.value)}
      />
      <span className={bad ? '' : 'text-soft'}>
        {bad
          ? `Give a ${f.whole ? 'whole ' : ''}number above 0, ${f.most.toLocaleString('en')} at most.`
          : `Changes ${f.changes}. Usual: ${f.read(defaultRules)}.`}
      </span>
    </label>
  );
}

function TurnsField({ seal, value, onChange }: { seal: Seal; value: number | undefined; onChange: (turns: number | null) => void }) {
  const shown = value === undefined ? '' : writeFraction(value, 24);
  const [text, setText] = useState(shown);
  const [bad, setBad] = useState(false);
  const type = (next: string) => {
    setText(next);
    if (next.trim() === '') {
      setBad(false);
      return onChange(null);
    }
    const n = readFraction(next);
    const good = n !== null && n >= 0 && n <= seal.turns!.most;
    setBad(!good);
    if (good) onChange(Math.round(n * 24) / 24);
  };
  return (
    <input
      className="field max-w-28"
      aria-label={`House turns, ${seal.name}`}
      aria-invalid={bad}
      title={bad ? `A fraction of a turn, at most ${writeTurns(turns24(seal.turns!.most))}` : undefined}
      maxLength={10}
      placeholder={writeFraction(seal.turns!.default, 24)}
      value={text}
      onChange={(e) => type(e.target.value)}
    />
  );
}
