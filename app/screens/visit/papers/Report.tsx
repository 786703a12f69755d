import { ROUNDS, workKind } from '../../../../core/index.ts';
import type { RunState } from '../../../../record/index.ts';
import { partNames, type ReadRun, type VisitSheet, watchedWords } from '../../../../record/index.ts';
import { type ClientCatalogue, useShop } from '../../../ui/held/index.ts';
import { Picture } from '../../../ui/pictures/index.ts';
import { PrintHead } from '../../../ui/saved/index.ts';
import { localTime, mlPerDay, proofWords, recheckWords } from '../../../ui/words.ts';
import { SheetKeys } from './SheetKeys.tsx';

interface Props {
  sheet: VisitSheet;
  reads: Map<string, ReadRun>;
  catalogue: ClientCatalogue;
}

/** What was done at a visit, what was proven and how: for the customer, in plain words. */
export default function Report({ sheet, reads }: Props) {
  const shop = useShop();
  const { visit } = sheet;
  const zone = visit.premises.timeZone;
  const listed = [...reads.values()].flatMap(({ run, state }) => (state && state.offList === null ? [{ run, state }] : []));
  return (
    <article className="mx-auto w-full max-w-220 p-4 md:p-6 print:p-0">
      <SheetKeys visitId={visit.id} />
      <PrintHead title="What was done" {...{ shop, visit }} />
      {visit.arrivedMs !== null && (
        <p className="mt-3">
          Came {localTime(visit.arrivedMs, zone)}
          {visit.leftMs !== null && `, left ${localTime(visit.leftMs, zone)}`}.
        </p>
      )}
      {listed.length === 0 && <p className="mt-3">Nothing stands on this visit's list.</p>}
      {listed.map(({ run, state }) => (
        <section key={run.id} className="mt-5 break-inside-avoid">
          <h2>
            {run.name}, {run.place}
          </h2>
          <p className="text-lg">
            {sentenceCase(workKind(run.work).name)}: {state.signedOff ? `signed off ${localTime(state.signedOff.atMs, zone)}` : 'not signed off'}.
          </p>
          <Done state={state} zone={zone} />
        </section>
      ))}
      <Beside {...{ sheet, zone }} />
      <p className="mt-6 border-t border-rule pt-2 text-soft">
        What a dry look proves is a bound, with the confidence named; it says nothing of what comes after. Where anything drips later, shut the stop
        and call {shop?.phone ?? 'us'}.
      </p>
    </article>
  );
}

/** Notes, pictures, and who signed. */
function Beside({ sheet: { runs, gathered }, zone }: { sheet: VisitSheet; zone: string }) {
  const { pictures, notes, signatures } = gathered;
  const of = (runId: string | null) => runs.find((r) => r.id === runId)?.name;
  return (
    <>
      {notes.length > 0 && (
        <section className="mt-5 break-inside-avoid">
          <h2>Noted</h2>
          {notes.map((n) => (
            <p key={n.entryId} className="mt-1">
              {of(n.runId) && <b>{of(n.runId)}: </b>}
              {n.text}
            </p>
          ))}
        </section>
      )}
      {pictures.length > 0 && (
        <section className="mt-5">
          <h2>Pictures</h2>
          <div className="mt-2 grid grid-cols-2 gap-4 sm:grid-cols-3 print:grid-cols-3">
            {pictures.map((p) => (
              <figure key={p.entryId} className="break-inside-avoid">
                <Picture id={p.picture} text={p.text ?? of(p.runId) ?? 'The visit'} className="h-44" />
                <figcaption className="text-sm">{[of(p.runId), p.text].filter(Boolean).join(': ') || localTime(p.atMs, zone)}</figcaption>
              </figure>
            ))}
          </div>
        </section>
      )}
      {signatures.map((s) => (
        <figure key={s.entryId} className="mt-5 break-inside-avoid">
          <Picture id={s.picture} text={`Signature of ${s.name}`} className="h-24 w-64 bg-white" />
          <figcaption>
            The work was shown to <b>{s.name}</b>, {localTime(s.atMs, zone)}.
          </figcaption>
        </figure>
      ))}
    </>
  );
}

function Done({ state, zone }: { state: RunState; zone: string }) {
  const { accepted, signedOff } = state;
  if (!accepted && state.checkPoints.length === 0) return state.notes.length > 0 ? <Notes state={state} /> : <p>No new connection was made.</p>;
  const targets = [
    ...state.joints.map((j) => ({ ...j, what: `${j.a} · ${j.b}` })),
    ...state.checkPoints.map((c) => ({ ...c, what: c.drain?.what ?? '', made: c.drain?.isMade ?? true })),
  ];
  const exceptions = signedOff?.exceptions ?? [];
  return (
    <>
      {accepted && (
        <p className="mt-1">
          <b>Fitted:</b> {partNames(accepted).join('; ') || 'the two ends, joined again'}.
        </p>
      )}
      <table className="mt-2 w-full">
        <thead>
          <tr className="border-b border-ink">
            <th>Joint</th>
            <th>Watched</th>
            <th>What it proves</th>
          </tr>
        </thead>
        <tbody>
          {targets.map((t) => (
            <tr key={t.id} className="border-b border-faint align-baseline">
              <td className="py-1 pr-3">
                <b>{t.label}</b> <span className="text-soft">{t.what}</span>
              </td>
              <td className="py-1 pr-3">{t.made ? watched(t.byRound) : 'not made'}</td>
              <td className="py-1">{t.finding ?? proves(t)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {exceptions.map((e) => (
        <p key={'stage' in e ? e.stage : e.targetId} className="mt-1">
          <b>Left open:</b> {'stage' in e ? e.stage : (targets.find((t) => t.id === e.targetId)?.label ?? 'a joint')}, because {e.reason}.
        </p>
      ))}
      {signedOff && <p className="mt-1">{sentence(recheckWords(state, zone))}</p>}
      <Notes state={state} />
    </>
  );
}

const proves = (t: { mlPerDay: number | null; proven: boolean; drain?: unknown }): string =>
  t.drain ? proofWords(t, '') : t.mlPerDay === null ? 'nothing yet' : `dry: under ${mlPerDay(t.mlPerDay)} mL a day at 95 %`;

const sentenceCase = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
const sentence = (text: string): string => `${sentenceCase(text)}.`;

function Notes({ state }: { state: RunState }) {
  return state.notes.map((text, i) => (
    <p key={`${i} ${text}`} className="mt-1">
      <b>Noted:</b> {text}
    </p>
  ));
}

type ByRound = RunState['joints'][number]['byRound'];

/** 'standing 8 min, working 12 min': rounds in which it was watched. */
function watched(byRound: ByRound): string {
  const rows = ROUNDS.flatMap(({ id, name }) => {
    const mark = byRound[id];
    return mark ? [`${name.toLowerCase()} ${watchedWords(mark.minutes)}${mark.state === 'dry' ? '' : `: ${mark.state}`}`] : [];
  });
  return rows.join(', ') || 'not watched';
}
