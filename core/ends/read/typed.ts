/** What was said of one end, as far as a reading asks. */
import type { EndCode } from '../code.ts';
import type { Said } from './said.ts';
import type { Gender, Named, Phrase } from './vocabulary.ts';

export interface Reading {
  end: EndCode;
  why: string;
  /** Id in appliances.csv, where it is read from the appliance alone. */
  appliance?: string;
}
/** What was said, as far as a reading asks. */
export interface Typed {
  size: string | null;
  genders: Gender[];
  /** A gender was said, or follows from the thing. */
  isGendered: boolean;
  by: 'od' | 'nominal' | null;
  suffix: string;
  isBegun: boolean;
  named: Named[];
  appliance: string | null;
  swivel: boolean;
  nut: boolean;
}
/** null where two sizes are said. */
export function typedOf({ sizes, phrases }: Said): Typed | null {
  if (new Set(sizes).size > 1) return null;
  const one = <K extends keyof Phrase>(key: K) => phrases.find((p) => p[key] !== undefined)?.[key];
  const named = phrases.flatMap((p) => p.names ?? []);
  const appliance = one('appliance') ?? null;
  const isFamily = (name: Named) => name !== 'hose' && name !== 'stop';
  // 'hose' is a thread by itself, and a female nut beside anything else.
  const sided = phrases.filter((p) => p.side && !(p.names === 'hose' && !named.some(isFamily) && appliance === null)).map((p) => p.side!);
  const said = phrases.findLast((p) => p.gender)?.gender ?? sided.find((s) => s === 'f') ?? sided[0];
  return {
    size: phrases.some((p) => p.ownSize) ? null : (sizes[0] ?? one('size') ?? null),
    genders: said ? [said] : ['m', 'f'],
    isGendered: said !== undefined,
    by: one('by') ?? null,
    suffix: one('material') ?? '',
    isBegun: phrases.some((p) => p.isBegun),
    named,
    appliance,
    swivel: phrases.some((p) => p.swivel),
    nut: phrases.some((p) => p.nut),
  };
}
