/** Tags to be hung on what was fitted: one for each stop and connector of a run, with its joints, its day and what is due at it. */
import { shortName } from '../../../core/index.ts';
import { placesOf } from '../joints/joint-place.ts';
import type { RunState } from '../state.ts';
import type { SignSheet } from './sign-sheet.ts';

export interface Tag {
  /** 'Stop', 'Connector' */
  kind: 'Stop' | 'Connector';
  what: string;
  /** 'J1, J2' */
  joints: string[];
  /** What comes due at it first; null where nothing does. */
  next: { on: string; what: string } | null;
}

const isConnector = (item: { tags?: string[]; flexible?: boolean; cutToLength?: boolean }): boolean =>
  item.tags?.includes('hose') === true || item.flexible === true || item.cutToLength === true;

/** None while no chain is accepted. */
export function tagsOf(state: RunState, { next }: Pick<SignSheet, 'next'>): Tag[] {
  const { accepted, stop } = state;
  if (!accepted) return [];
  const places = placesOf(accepted);
  const on = (part: string) => state.joints.filter((_, i) => places[i]!.parts.some((p) => p?.replace(/ \d+$/, '') === part)).map((j) => j.label);
  const due = (...duties: string[]) => next.find((n) => duties.includes(n.duty)) ?? null;
  const fitted = accepted.chain.parts.flatMap((id): Tag[] => {
    const item = accepted.items[id];
    if (!item) return [];
    if (item.tags?.includes('stop')) return [{ kind: 'Stop', what: shortName(item.name), joints: on(id), next: due('stop') }];
    return isConnector(item) ? [{ kind: 'Connector', what: shortName(item.name), joints: on(id), next: due('connector', 'open-line') }] : [];
  });
  const found: Tag[] =
    stop && stop.kind !== 'none' && !fitted.some((t) => t.kind === 'Stop')
      ? [{ kind: 'Stop', what: `${stop.kind} stop`, joints: state.joints.slice(0, 1).map((j) => j.label), next: due('stop') }]
      : [];
  return [...found, ...fitted];
}
