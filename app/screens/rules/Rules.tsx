import { useState } from 'react';
import type { HouseChoice } from '../../../catalog/house-rules.ts';
import {
  type AgeRow,
  type DutyRow,
  defaultRules,
  type HouseRules,
  readFraction,
  type Seal,
  turns24,
  writeFraction,
  writeTurns,
} from '../../../core/index.ts';
import type { RulesVersion } from '../../../store/queries/rules.ts';
import { forThisShop } from '../../../sync/shop-here.ts';
import { type Figure, figuresOf } from './figures.ts';

interface Props {
  initial: RulesVersion;
  choices: HouseChoice[];
  seals: Seal[];
  duties: DutyRow[];
  ages: AgeRow[];
}

/** The shop's choices where good plumbers disagree, each with both sides' reasons; every change is a new version with its own. */
export default function Rules({ initial, choices, seals, duties, ages }: Props) {
  const [kept, setKept] = useState(initial);
  const [rules, setRules] = useState(initial.rules);
  const [reason, setReason] = useState('');
  const [said, setSaid] = useState('');
  const changed = JSON.stringify(rules) !== JSON.stringify(kept.rules);
  const save = async () => {
    try {
      const response = await fetch(forThisShop('/api/v1/rules'), {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ basedOn: kept.version, rules, reason }),
      });
      const answer = (await response.json()) as { version?: number; detail?: string };
      if (!response.ok || answer.version === undefined) return setSaid(answer.detail ?? 'It was not kept.');
      setKept({ version: answer.version, rules, reason, recordedAt: new Date().toISOString() });
      setReason('');
      setSaid(`Kept as version ${answer.version}. What was accepted before keeps the rules it was accepted under.`);
    } catch {
      setSaid('The server does not answer. Nothing was kept; try again.');
    }
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
            {figuresOf(duties, ages).map((f) => (
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
        <h2>{kept.version === 0 ? 'The usual rules are in force' : `Version ${kept.version} is in force`}</h2>
        {kept.reason && <p>"{kept.reason}"</p>}
        {changed ? (
          <>
            <label className="grid gap-1">
              <span className="label">Why the house does it so</span>
              <textarea className="field min-h-24 py-2" maxLength={1000} value={reason} onChange={(e) => setReason(e.target.value)} />
            </label>
            <button type="button" className="key key-main" disabled={reason.trim() === ''} onClick={save}>
              Keep as version {kept.version + 1}
            </button>
            <button type="button" className="key" onClick={() => setRules(kept.rules)}>
              Leave as it was
            </button>
          </>
        ) : (
          <p className="text-soft">Nothing changed yet.</p>
        )}
        <p aria-live="polite">{said}</p>
      </aside>
    </div>
  );
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
