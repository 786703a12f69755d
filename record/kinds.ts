/** The register of kinds. The border's check, the fold, the ledger's words, the file format and the API description follow from it. */
import type * as z from 'zod/mini';
import type { EntryBase } from './entry.ts';
import type { Kind } from './kind.ts';
import { baselineTaken } from './run/kinds/baseline-taken.ts';
import { callbackReported } from './run/kinds/callback-reported.ts';
import { cardBegun } from './run/kinds/card-begun.ts';
import { chainAccepted } from './run/kinds/chain-accepted.ts';
import { distanceMeasured } from './run/kinds/distance-measured.ts';
import { dutySeen } from './run/kinds/duty-seen.ts';
import { endSeen } from './run/kinds/end-seen.ts';
import { figureMeasured } from './run/kinds/figure-measured.ts';
import { gateAnswered } from './run/kinds/gate-answered.ts';
import { hammerHeard } from './run/kinds/hammer-heard.ts';
import { jointMade } from './run/kinds/joint-made.ts';
import { lineSeen } from './run/kinds/line-seen.ts';
import { listed } from './run/kinds/listed.ts';
import { lookBegun } from './run/kinds/look-begun.ts';
import { lookEnded } from './run/kinds/look-ended.ts';
import { meterRead } from './run/kinds/meter-read.ts';
import { needChanged } from './run/kinds/need-changed.ts';
import { noiseHeard } from './run/kinds/noise-heard.ts';
import { noted } from './run/kinds/noted.ts';
import { oldLineJudged } from './run/kinds/old-line-judged.ts';
import { placeSeen } from './run/kinds/place-seen.ts';
import { pressureLogged } from './run/kinds/pressure-logged.ts';
import { recheckClosed } from './run/kinds/recheck-closed.ts';
import { remedied } from './run/kinds/remedied.ts';
import { reopened } from './run/kinds/reopened.ts';
import { reuseSeen } from './run/kinds/reuse-seen.ts';
import { safetyTried } from './run/kinds/safety-tried.ts';
import { sheetRead } from './run/kinds/sheet-read.ts';
import { signedOff } from './run/kinds/signed-off.ts';
import { sourceFound } from './run/kinds/source-found.ts';
import { stageSkipped } from './run/kinds/stage-skipped.ts';
import { stepDone } from './run/kinds/step-done.ts';
import { stopTried } from './run/kinds/stop-tried.ts';
import { stubSeen } from './run/kinds/stub-seen.ts';
import { surroundingsSeen } from './run/kinds/surroundings-seen.ts';
import { symptomTold } from './run/kinds/symptom-told.ts';
import { thingSeen } from './run/kinds/thing-seen.ts';
import { waterMeasured } from './run/kinds/water-measured.ts';
import { withdrawn } from './run/kinds/withdrawn.ts';

const declared = [
  endSeen,
  stopTried,
  oldLineJudged,
  lineSeen,
  thingSeen,
  hammerHeard,
  waterMeasured,
  surroundingsSeen,
  symptomTold,
  baselineTaken,
  sourceFound,
  sheetRead,
  figureMeasured,
  reuseSeen,
  distanceMeasured,
  placeSeen,
  stubSeen,
  needChanged,
  chainAccepted,
  cardBegun,
  gateAnswered,
  stepDone,
  jointMade,
  lookBegun,
  lookEnded,
  remedied,
  pressureLogged,
  meterRead,
  safetyTried,
  noiseHeard,
  signedOff,
  callbackReported,
  dutySeen,
  noted,
  listed,
  stageSkipped,
  reopened,
  recheckClosed,
  withdrawn,
] as const;

type Declared = (typeof declared)[number];
export type EntryKind = Declared['name'];
export type Bodies = { [D in Declared as D['name']]: z.output<D['shape']> };
export type EntryOf<K extends EntryKind> = EntryBase & { kind: K; body: Bodies[K] };
export type Entry = { [K in EntryKind]: EntryOf<K> }[EntryKind];

/** A kind whose body is not looked into here. */
export type AnyKind = Kind<EntryKind, unknown>;

const byName = new Map<string, AnyKind>(declared.map((d) => [d.name, d as unknown as AnyKind]));

export const kinds: readonly AnyKind[] = [...byName.values()];

/** The kind of that name; undefined for one that this program does not know. */
export const kindOf = (name: string): AnyKind | undefined => byName.get(name);

/** An entry as this program reads it, whatever program wrote it. */
export function upcast<E extends { kind: string; body: unknown }>(entry: E): E {
  const up = kindOf(entry.kind)?.upcast;
  return up ? { ...entry, body: up(entry.body) } : entry;
}

/** An entry as it is kept and sent: without the words that are made when it is read. */
export function keptForm<E extends { kind: string; body: unknown }>(entry: E): E {
  const kept = kindOf(entry.kind)?.kept;
  return kept ? { ...entry, body: kept(entry.body) } : entry;
}

/** The entry that this one follows from; null where it follows from none. */
export const followsId = (entry: { kind: string; body: unknown }): string | null => kindOf(entry.kind)?.follows?.(entry.body) ?? null;

/** Joints that come into being with an entry. */
export const jointsBrought = (entry: { kind: string; body: unknown }): string[] => kindOf(entry.kind)?.brings?.(entry.body) ?? [];
