import * as z from 'zod/mini';
import type { Part } from '../../../core/match/part.ts';
import { kind } from '../../kind.ts';
import { chain, need } from '../../parts/chain.ts';
import { houseRules, rulesBroughtUp } from '../../rules/house-rules.ts';
import { cents, currency, end, id, name, notNegative, shortText, uuid } from '../../shapes.ts';

/** A part as it was: what its steps follow from, and what it is drawn from. A later catalogue does not change history. */
const item = z.object({
  name,
  priceCents: cents,
  kind: z.optional(shortText),
  tags: z.optional(z.array(shortText).check(z.maxLength(40))),
  flexible: z.optional(z.boolean()),
  cutToLength: z.optional(z.boolean()),
  lengthIn: z.optional(notNegative),
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
      /** Names and unit prices as they were, by part id or loose code. */
      items: z.record(id, item),
      currency,
      /** The acceptance this one replaces; null for the first. */
      replacesId: z.nullable(uuid),
    })
    .check(
      z.refine((b) => b.jointIds.length === b.chain.joints.length, { path: ['jointIds'], error: 'wants one id for each joint of the chain' }),
      z.refine((b) => new Set(b.jointIds).size === b.jointIds.length, { path: ['jointIds'], error: 'names a joint twice' }),
    ),
  bringUp: (body) => {
    const stored = body as { rules?: object } | null;
    return typeof stored?.rules === 'object' ? { ...stored, rules: rulesBroughtUp(stored.rules) } : body;
  },
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
  says: (b, w) =>
    `Chain accepted: ${w.end(b.from)} to ${w.end(b.to)}${b.chain.parts.length > 0 ? ` by ${b.chain.parts.map((p) => b.items[p]?.name ?? w.item(p)).join('; ')}` : ''}`,
});

export type AcceptedChain = z.infer<typeof chainAccepted.shape>;

/** What an acceptance keeps of the parts and loose pieces of a chain, as they are in the catalogue now. */
export function itemsOf(ids: string[], parts: Part[], loose: { code: string; name: string; priceCents: number }[]): AcceptedChain['items'] {
  const known = new Map<string, AcceptedChain['items'][string]>([
    ...parts.map((p) => [p.id, partItem(p)] as const),
    ...loose.map((l) => [l.code, { name: l.name, priceCents: l.priceCents }] as const),
  ]);
  return Object.fromEntries(ids.flatMap((of) => (known.has(of) ? [[of, known.get(of)!] as const] : [])));
}

const partItem = ({ name: called, priceCents, kind: of, tags, flexible, cutToLength, lengthIn }: Part): AcceptedChain['items'][string] => ({
  name: called,
  priceCents,
  kind: of,
  tags,
  flexible,
  cutToLength,
  ...(lengthIn === undefined ? {} : { lengthIn }),
});

/** A part as far as it is drawn. */
export type DrawnPart = Pick<Part, 'id' | 'name' | 'flexible' | 'cutToLength' | 'lengthIn'>;

/** The parts of an accepted chain as they were; the catalogue's where an older acceptance says only their names. */
export function partsAsAccepted({ chain: { parts: ids }, items }: Pick<AcceptedChain, 'chain' | 'items'>, parts: Part[]): DrawnPart[] {
  return ids.flatMap((of): DrawnPart[] => {
    const was = items[of];
    if (was?.flexible === undefined) return parts.filter((p) => p.id === of);
    return [{ id: of, name: was.name, flexible: was.flexible, cutToLength: was.cutToLength ?? false, lengthIn: was.lengthIn }];
  });
}
