import { useState } from 'react';
import { type Judgement, LINE_KINDS, type LineKindId } from '../../../../core/index.ts';
import type { Bodies } from '../../../../record/index.ts';
import { Choices } from '../../../ui/form/index.ts';
import type { StageProps } from '../stage-props.ts';
import { Findings } from './Findings.tsx';
import { VerdictRow } from './Verdicts.tsx';

const NAMES: Record<LineKindId | 'none', string> = {
  braided: 'braided',
  rubber: 'rubber',
  copper: 'copper',
  pe: 'polyethylene',
  pex: 'PEX',
  riser: 'rigid riser',
  none: 'there is none',
};

const DECISIONS: [Bodies['old-line-judged']['verdict'], string][] = [
  ['keep', 'it stays'],
  ['replace', 'it is replaced'],
];

/** The line that is there: what it is, how old, what is seen on it; judged, and then decided by who stands before it. */
export function OldLine({
  run,
  context,
  state,
  write,
  verdict,
}: Pick<StageProps, 'run' | 'context' | 'state' | 'write'> & { verdict: Judgement | null }) {
  const found = state.survey.line;
  const seen = (change: Partial<Bodies['line-seen']>) => write('line-seen', run.id, change);
  const kind = found?.line ?? (state.oldLine?.verdict === 'none' ? 'none' : null);
  const choose = (line: LineKindId | 'none') => {
    seen({ line, ...(line === 'none' ? { seen: null, ageYears: null } : {}) });
    if (line === 'none') write('old-line-judged', run.id, { verdict: 'none', findings: [] });
    else if (state.oldLine?.verdict === 'none') write('old-line-judged', run.id, { verdict: 'replace', findings: [] });
  };
  const rows = context.look.findings.filter(
    (f) => f.on === 'line' && (kind === null || f.kinds === '*' || (kind !== 'none' && f.kinds.includes(kind))),
  );
  const decide = (to: Bodies['old-line-judged']['verdict']) =>
    write('old-line-judged', run.id, { verdict: to, findings: to === 'replace' ? (found?.seen ?? []) : [] });
  const advised = verdict?.verdict === 'replace' ? 'replace' : verdict?.verdict === 'keep' || verdict?.verdict === 'watch' ? 'keep' : null;
  return (
    <>
      <Choices legend="It is" options={[...LINE_KINDS, 'none' as const].map((k) => [k, NAMES[k]])} value={kind} onChange={choose} />
      {kind !== null && kind !== 'none' && (
        <>
          {(kind === 'braided' || kind === 'rubber') && (
            <Age key={run.id} value={found?.ageYears ?? null} onAge={(ageYears) => seen({ ageYears: ageYears ?? null })} />
          )}
          <Findings legend="Seen on it" rows={rows} seen={found?.seen ?? null} onSeen={(ids) => seen({ seen: ids })} />
        </>
      )}
      {verdict && <VerdictRow judgement={verdict} />}
      {kind !== 'none' && <Choices legend="So" options={DECISIONS} value={state.oldLine?.verdict ?? null} onChange={decide} />}
      {advised && state.oldLine && state.oldLine.verdict !== advised && state.oldLine.verdict !== 'none' && (
        <p className="caution">It was decided otherwise than judged: who reads this later sees both.</p>
      )}
    </>
  );
}

/** Whole or half years; empty: not known. */
function Age({ value, onAge }: { value: number | null; onAge: (years: number | undefined) => void }) {
  const [text, setText] = useState(value === null ? '' : String(value));
  const years = text.trim() === '' ? undefined : Number(text);
  const isBad = years !== undefined && !(years >= 0 && years <= 150);
  const save = () => {
    if (!isBad && years !== (value ?? undefined)) onAge(years);
  };
  return (
    <label className="grid justify-start">
      <span className="label">Years old, as its date or the owner says</span>
      <input
        className="field max-w-28"
        inputMode="decimal"
        maxLength={6}
        value={text}
        aria-invalid={isBad}
        onChange={(e) => setText(e.target.value)}
        onBlur={save}
        onKeyDown={(e) => e.key === 'Enter' && save()}
      />
      {isBad && <span role="alert">Years from 0 to 150, or nothing where it is not known.</span>}
    </label>
  );
}
