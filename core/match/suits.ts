import type { HouseRules } from '../house/rules.ts';
import { type Reason, reason } from '../reason.ts';
import { isLine, type Part } from './part.ts';
import { COIL_ALLOWANCE_IN, type FullNeed, RISER_ALLOWANCE_IN } from './query.ts';

/**
 * Why a part cannot be in any chain for this need, whatever its place: rating, water, potable, avoided tag, length, place.
 * Empty when it may.
 */
export function unsuited(part: Part, need: FullNeed): Reason[] {
  const out: Reason[] = [];
  const no = (rule: string, text: string, figures?: Record<string, number | string>) => out.push(reason(rule, text, figures ? { figures } : {}));
  if (part.tags.includes('saddle')) no('saddle', 'A saddle valve is never proposed: it is a hazard to be replaced.');
  if (!part.waters.includes(need.water)) no('water', `It is not for ${need.water} water.`);
  if (part.maxF < need.tempF)
    no('temperature', `It is rated to ${part.maxF} F, the water is ${need.tempF} F.`, { maxF: part.maxF, tempF: need.tempF });
  if (part.maxPsi < need.pressurePsi) {
    no('pressure', `It is rated to ${part.maxPsi} psi, the pressure is ${need.pressurePsi} psi.`, { maxPsi: part.maxPsi });
  }
  if (need.potable && !part.potable) no('potable', 'It is not for drinking water.');
  for (const tag of need.avoid) if (part.tags.includes(tag)) no('avoid', `It is ${tag}, which is to be avoided here.`);
  if (isLine(part)) out.push(...lineUnsuited(part, need));
  return out;
}

function lineUnsuited(part: Part, need: FullNeed): Reason[] {
  if (!need.reachable && part.flexible) return [reason('hidden-flexible', 'No flexible piece where it cannot be reached afterwards.')];
  if (part.cutToLength) {
    if (need.minLengthIn === null) return [reason('cut-length', 'It is cut to length: say how far it must reach.')];
    const cut = cutLengthIn(part, need.minLengthIn);
    if (part.maxLengthIn !== undefined && cut > part.maxLengthIn) {
      return [reason('too-short', `It comes ${part.maxLengthIn} in long, ${cut} in are needed with the allowance.`, { figures: { needIn: cut } })];
    }
    return [];
  }
  if (need.minLengthIn !== null && (part.lengthIn ?? 0) < need.minLengthIn) {
    return [
      reason('too-short', `It is ${part.lengthIn ?? 0} in long, at least ${need.minLengthIn} in are needed.`, {
        figures: { lengthIn: part.lengthIn ?? 0 },
      }),
    ];
  }
  return [];
}

/** Length a coil or a riser is cut to for a distance, inches. */
export function cutLengthIn(part: Part, minLengthIn: number): number {
  return minLengthIn + (part.flexible ? COIL_ALLOWANCE_IN : RISER_ALLOWANCE_IN);
}

/** Why a push end of a part may not be used here, by the house rule; null when it may. */
export function pushRefused(part: Part, need: FullNeed, rules: HouseRules): Reason | null {
  if (rules.push === 'never') return reason('house-push', 'House rule: no push-to-connect.');
  if (need.reachable) return null;
  if (rules.push === 'where reachable') return reason('house-push', 'House rule: push-to-connect only where it can be reached.');
  if (part.tags.includes('listed-hidden')) return null;
  return reason('house-push', 'House rule: hidden push-to-connect only where it is listed for it.');
}

/** Tags of lines the house prefers; others so tagged cost `notPreferredDollars`. */
export function notPreferred(part: Part, rules: HouseRules): boolean {
  const preferred = new Set([`line:${rules.toiletLine}`, `line:${rules.applianceLine}`]);
  return part.tags.some((t) => t.startsWith('line:') && !preferred.has(t));
}
