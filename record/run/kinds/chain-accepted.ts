import * as z from 'zod/mini';
import type { Part } from '../../../core/index.ts';
import { kind } from '../../kind.ts';
import { chain, chainKept, chainSaid, need } from '../../parts/chain.ts';
import { houseRules, keptRules } from '../../rules/house-rules.ts';
import { cents, currency, end, id, name, notNegative, shortText, uuid } from '../../shapes.ts';

/** A part as it was: what its steps follow from, and what it is drawn from. A later catalogue does not change history. */
const item = z.object({
  /** Of a part of the shop's own, in the shop's words; left out: the shipped catalogue's. */
  name: z.optional(name),
  priceCents: cents,
  kind: z.optional(shortText),
  tags: z.optional(z.array(shortText).check(z.maxLength(40))),
  flexible: z.optional(z.boolean()),
  cutToLength: z.optional(z.boolean()),
  lengthIn: z.optional(notNegative),
  /** null where it was not known then. */
  boreIn: z.optional(z.nullable(notNegative)),
});

/** An accepted chain with its grounds as they were. */
export const chainAccepted = kind({
  name: 'chain-accepted',
  shape: z
    .strictObject({
      from: end,
      to: end,
      rejoin: z.nullable(end),
      need,
      chain,
      /** One for each joint, in order: its identity for life. */
      jointIds: z.array(uuid).check(z.minLength(1, 'wants a joint'), z.maxLength(8, 'has more than 8 joints')),
      rules: houseRules,
      catalogueVersion: id,
      /** Of the card that was composed for it; the first unless given. */
      cardVersion: z.optional(z.int().check(z.gte(1), z.lte(1000))),
      /** Unit prices, and what the steps follow from, as they were, by part id or loose code. */
      items: z.record(id, item),
      currency,
      /** The acceptance this one replaces; null for the first. */
      replacesId: z.nullable(uuid),
    })
    .check(
      z.refine((b) => b.jointIds.length === b.chain.joints.length, { path: ['jointIds'], error: 'wants one id for each joint of the chain' }),
      z.refine((b) => new Set(b.jointIds).size === b.jointIds.length, { path: ['jointIds'], error: 'names a joint twice' }),
    ),
  upcast: (body) => {
    const stored = body as { rules?: object; chain?: unknown } | null;
    return typeof stored?.rules === 'object' ? { ...stored, rules: keptRules(stored.rules), chain: chainSaid(stored.chain) } : body;
  },
  kept: (body) => ({ ...body, chain: chainKept(body.chain) }),
  counts: 'last',
  about: 'run',
  onSigned: () => true,
  follows: (b) => b.replacesId,
  brings: (b) => b.jointIds,
  holds: ({ body, correctsId, deviceId }, run) => {
    if (body.replacesId === (run.accepted?.id ?? null) || correctsId !== null) return null;
    if (body.replacesId !== null && !run.hasAcceptance(body.replacesId)) {
      return { rule: 'unknown-entry', why: 'The chain that this one takes the place of was not kept.' };
    }
    // Another device that did not know of it yet chose too: both stand, and one is asked for.
    if (run.accepted?.deviceId !== deviceId) return null;
    return { rule: 'changed-meanwhile', why: 'Another chain is in force by now. Look at it, then accept another in its place if you still want to.' };
  },
  describe: (b, w) =>
    `Chain accepted: ${w.end(b.from)} to ${w.end(b.to)}${b.chain.parts.length > 0 ? ` by ${b.chain.parts.map((p) => w.item(p)).join('; ')}` : ''}`,
});

export type AcceptedChain = z.infer<typeof chainAccepted.shape>;

/** What pieces are accepted from. */
export interface Pieces {
  parts: Part[];
  loose: { code: string; name: string; priceCents: number }[];
  /** Parts of the shop's own, by their ids: no other catalogue has their names. Left out where that is not known. */
  ownIds?: readonly string[];
}

/** What an acceptance keeps of the parts and loose pieces of a chain, as they are in the catalogue now. */
export function itemsOf(ids: string[], { parts, loose, ownIds }: Pieces): AcceptedChain['items'] {
  const own = ownIds && new Set(ownIds);
  const wanted = new Set(ids);
  const named = (of: string, called: string) => (own && !own.has(of) ? {} : { name: called });
  const known = new Map<string, AcceptedChain['items'][string]>([
    ...parts.flatMap((p) => (wanted.has(p.id) ? [[p.id, { ...named(p.id, p.name), ...partItem(p) }] as const] : [])),
    ...loose.flatMap((l) => (wanted.has(l.code) ? [[l.code, { ...(own ? {} : { name: l.name }), priceCents: l.priceCents }] as const] : [])),
  ]);
  return Object.fromEntries(ids.flatMap((of) => (known.has(of) ? [[of, known.get(of)!] as const] : [])));
}

const partItem = ({ priceCents, kind: of, tags, flexible, cutToLength, lengthIn, boreIn }: Part): AcceptedChain['items'][string] => ({
  priceCents,
  kind: of,
  tags,
  flexible,
  cutToLength,
  ...(lengthIn === undefined ? {} : { lengthIn }),
  boreIn: boreIn ?? null,
});

/** An accepted chain as it is read: each of its pieces by its name. */
export type NamedChain = Omit<AcceptedChain, 'items'> & { items: Record<string, AcceptedChain['items'][string] & { name: string }> };

/** What a catalogue calls parts and loose pieces. */
export interface Names {
  parts: readonly { id: string; name: string }[];
  loose?: readonly { code: string; name: string }[];
}

/** Names the pieces of an accepted chain: as an older program kept them, else as the catalogue has them. */
export function namedChain(accepted: AcceptedChain, names: Names): NamedChain {
  const nameOf = (of: string): string => names.parts.find((p) => p.id === of)?.name ?? names.loose?.find((l) => l.code === of)?.name ?? of;
  return {
    ...accepted,
    items: Object.fromEntries(Object.entries(accepted.items).map(([of, kept]) => [of, { ...kept, name: kept.name ?? nameOf(of) }])),
  };
}

/** Parts of a chain by their names, in its order. */
export const partNames = ({ chain, items }: Pick<NamedChain, 'chain' | 'items'>): string[] => chain.parts.map((of) => items[of]?.name ?? 'a part');

/** A part as far as it is drawn. */
export type DrawnPart = Pick<Part, 'id' | 'name' | 'flexible' | 'cutToLength' | 'lengthIn'>;

/** The parts of an accepted chain as they were; the catalogue's where an older acceptance says only their names. */
export function partsAsAccepted({ chain: { parts: ids }, items }: Pick<NamedChain, 'chain' | 'items'>, parts: Part[]): DrawnPart[] {
  return ids.flatMap((of): DrawnPart[] => {
    const was = items[of];
    if (was?.flexible === undefined) return parts.filter((p) => p.id === of);
    return [{ id: of, name: was.name, flexible: was.flexible, cutToLength: was.cutToLength ?? false, lengthIn: was.lengthIn }];
  });
}
