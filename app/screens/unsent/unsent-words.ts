/** What was entered and not sent, in words. */
import { describeEntry, describer, isBookEntry, NO_WORDS, type PremisesBook, subjectOf, tellBook } from '../../../record/index.ts';
import type { AnyEntry } from '../../../sync/device.ts';
import { newBookEntry, newEntry } from '../../../sync/entry.ts';
import { unitsHere } from '../../ui/units/index.ts';

/** What an entry is about, as far as this device knows it. */
export function whatOf(entry: AnyEntry, books: PremisesBook[]): string {
  if (isBookEntry(entry)) return nameIn(books, entry.subject.id) ?? subjectOf(entry.subject.kind).called;
  for (const book of books) {
    const visit = book.visits.find((v) => v.id === entry.visitId);
    const run = book.runs.find((r) => r.id === entry.runId);
    if (visit && run) return `${run.name}, ${visit.title}`;
  }
  return 'a run that this device does not hold';
}

export function nameIn(books: PremisesBook[], id: string): string | undefined {
  for (const b of books) {
    const found = [b.premises, ...b.places, ...b.appliances, ...b.runs].find((one) => one.id === id)?.name;
    const told = found ?? b.visits.find((v) => v.id === id)?.title ?? b.followUps.find((f) => f.id === id)?.text;
    if (told) return told;
  }
  return undefined;
}

export function inWords(entry: AnyEntry, books: PremisesBook[]): string {
  try {
    if (isBookEntry(entry)) return tellBook(entry, { ...NO_WORDS, subject: (ref) => nameIn(books, ref.id) ?? NO_WORDS.subject(ref) });
    return describeEntry(entry, describer(null, { all: [], log: [] }, unitsHere())).what;
  } catch {
    return JSON.stringify(entry.body).slice(0, 200);
  }
}

/** The same said with another body. */
export function anew(entry: AnyEntry, deviceId: string, body: unknown): AnyEntry {
  if (isBookEntry(entry)) return newBookEntry(deviceId, entry.subject, entry.change, body as Record<string, unknown>, entry.correctsId);
  const { visitId, runId, jointId, checkPointId, correctsId } = entry;
  const target = { jointId: jointId ?? undefined, checkPointId: checkPointId ?? undefined, correctsId: correctsId ?? undefined };
  return newEntry({ deviceId, visitId, runId }, entry.kind, body as never, target);
}
