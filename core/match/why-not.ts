import { parseEnd } from '../ends/code.ts';
import { sealById } from '../ends/seals.ts';
import { type Reason, reason } from '../reason.ts';
import { sealsSomehow } from './chains.ts';
import type { Part, PartEnd } from './part.ts';
import { isLine } from './part.ts';
import { ARRESTOR_REACH_IN, MAX_JOINTS, type MatchQuery } from './query.ts';
import { type Setting, settingOf } from './setting.ts';
import { cutLengthIn, pushRefused, unsuited } from './suits.ts';

/** One way of putting the parts named into a row: by which end water enters each and by which it leaves. */
interface Way {
  part: Part;
  inEnd: PartEnd;
  outEnd: PartEnd;
  spare: PartEnd[];
}

/**
 * Why these parts, in this order, are no chain for the query.
 *
 * Looks at each part by itself first (known, needs, push rule), then at every way of turning the parts and takes the one that comes furthest:
 * ports, joints in order, ends left over, length, stop, arrestor and check.
 *
 * @param partIds the whole chain, water side first; [] for the two ends by themselves
 * @returns       the first reason that refuses it, then the rest; [] when it is a possible chain. A chain that only marginal joints hold together
 *                is refused while something seals.
 * @throws InputError (EndCodeError) for a query that does not read
 */
export function whyNot(q: MatchQuery, partIds: string[]): Reason[] {
  const s = settingOf(q);
  const known = new Map(s.index.parts.map((p) => [p.id, p]));
  const unknown = partIds.filter((id) => !known.has(id));
  if (unknown.length > 0) return unknown.map((id) => reason('unknown-part', `There is no part "${id}" in this catalogue.`));
  const twice = partIds.filter((id, i) => partIds.indexOf(id) !== i);
  const parts = partIds.map((id) => known.get(id) as Part);
  const own = [
    ...[...new Set(twice)].map((id) => reason('twice', `${known.get(id)!.name} stands in it twice.`)),
    ...(parts.length + 1 > MAX_JOINTS ? [reason('too-many-joints', `It has ${parts.length + 1} joints: at most ${MAX_JOINTS}.`)] : []),
    ...parts.flatMap((p) => named(p, [...unsuited(p, s.need), ...pushReasons(s, p)])),
  ];
  const best = turned(s, parts);
  const marginal = best.reasons.length === 0 && best.marginal && own.length === 0 && sealsSomehow(s);
  const last = marginal ? [reason('marginal', 'It has a joint that only may hold, and there are chains whose joints all seal.')] : [];
  return [...own, ...best.reasons, ...last];
}

const named = (part: Part, because: Reason[]): Reason[] =>
  because.map((r) => ({ ...r, text: `${part.name}: ${r.text}`, figures: { ...r.figures, part: part.id } }));

/** A part whose every way through uses a push end that the house bars. */
function pushReasons(s: Setting, part: Part): Reason[] {
  const refusal = pushRefused(part, s.need, s.rules);
  if (refusal === null) return [];
  const free = waysThrough(part).some((w) => !isPush(w.inEnd) && !isPush(w.outEnd));
  return free ? [] : [refusal];
}

const isPush = (end: PartEnd) => parseEnd(end.code).family === 'ptc';

function waysThrough(part: Part): Way[] {
  return part.ends.flatMap((inEnd) =>
    part.ends.flatMap((outEnd): Way[] =>
      inEnd === outEnd || (inEnd.port !== 'in' && inEnd.port !== 'either') || outEnd.port === 'in'
        ? []
        : [{ part, inEnd, outEnd, spare: part.ends.filter((e) => e !== inEnd && e !== outEnd) }],
    ),
  );
}

interface Verdict {
  reasons: Reason[];
  marginal: boolean;
  /** Joints that hold before the first that does not. */
  reached: number;
}

/** Of all ways of turning the parts, the one with the fewest reasons against it; of equals the one whose joints come furthest. */
function turned(s: Setting, parts: Part[]): Verdict {
  const closed = parts.find((p) => waysThrough(p).length === 0);
  if (closed)
    return { reasons: named(closed, [reason('ports', 'Water cannot go through it: it has no way in, or none out.')]), marginal: false, reached: 0 };
  let rows: Way[][] = [[]];
  // Ways alike in their codes and left-over ends judge alike, so the number of rows stays small.
  for (const part of parts) rows = rows.flatMap((row) => unlike(waysThrough(part)).map((way) => [...row, way]));
  let best: Verdict | null = null;
  for (const row of rows) {
    const verdict = judge(s, row);
    const better =
      best === null ||
      verdict.reasons.length < best.reasons.length ||
      (verdict.reasons.length === best.reasons.length && verdict.reached > best.reached);
    if (better) best = verdict;
  }
  return best as Verdict;
}

function unlike(ways: Way[]): Way[] {
  const key = (w: Way) => [w.inEnd.code, w.outEnd.code, ...w.spare.map((e) => `${e.id}${e.code}${e.port}`)].join(' ');
  return [...new Map(ways.map((w) => [key(w), w])).values()];
}

function judge(s: Setting, row: Way[]): Verdict {
  const joints = jointsOf(s, row);
  const reasons = [...joints.reasons, ...pushOf(s, row), ...sparesOf(s, row), ...lengthOf(s, row), ...needsOf(s, row), ...togetherOf(s, row)];
  return { reasons, marginal: joints.marginal, reached: joints.reached };
}

function jointsOf(s: Setting, row: Way[]): Verdict {
  const outs = [s.from, ...row.map((w) => w.outEnd.code)];
  const ins = [...row.map((w) => w.inEnd.code), s.to];
  const verdict: Verdict = { reasons: [], marginal: false, reached: 0 };
  outs.forEach((a, i) => {
    const b = ins[i] as string;
    const mating = s.mating(a, b);
    const joint = { joint: i + 1, a, b };
    if (mating.verdict === 'seals' || mating.verdict === 'marginal') {
      if (!s.need.reachable && mating.seal !== null && !sealById(mating.seal).mayBeHidden) {
        verdict.reasons.push(reason('hidden-seal', `J${i + 1}, ${a} with ${b}: this seal may not be hidden for good.`, { figures: joint }));
      }
      verdict.marginal ||= mating.verdict === 'marginal';
      if (verdict.reasons.length === 0) verdict.reached++;
      return;
    }
    const rule = mating.nearMiss ?? mating.because[0]?.rule ?? mating.verdict;
    verdict.reasons.push(reason(rule, `J${i + 1}, ${a} with ${b}: ${mating.because[0]?.text ?? 'no joint.'}`, { figures: joint }));
  });
  return verdict;
}

function pushOf(s: Setting, row: Way[]): Reason[] {
  return row.flatMap((w) => {
    const refusal = isPush(w.inEnd) || isPush(w.outEnd) ? pushRefused(w.part, s.need, s.rules) : null;
    return refusal && pushReasons(s, w.part).length === 0 ? named(w.part, [refusal]) : [];
  });
}

/** Ends left over: one takes the old line when that is given, a valved one may stay free, any other wants a cap, an inlet rules it out. */
function sparesOf(s: Setting, row: Way[]): Reason[] {
  const spares = row.flatMap((w) => w.spare.map((end) => ({ part: w.part, end })));
  const takes = ({ part, end }: (typeof spares)[number]): boolean => {
    const mating = s.rejoin === null ? null : s.mating(s.rejoin, end.code);
    const holds = mating?.verdict === 'seals' || mating?.verdict === 'marginal';
    return holds && end.port !== 'in' && !(isPush(end) && pushRefused(part, s.need, s.rules));
  };
  // The end that would otherwise be refused takes the old line first, then one that could not be left free.
  const wrong = (spare: (typeof spares)[number]) => spareRefused(s, spare.part, spare.end);
  const urgency = (spare: (typeof spares)[number]) => (wrong(spare) ? 2 : isValved(spare.part, spare.end) ? 0 : 1);
  const rejoined = spares.filter(takes).sort((a, b) => urgency(b) - urgency(a))[0];
  const out = spares.filter((x) => x !== rejoined).flatMap((x) => wrong(x) ?? []);
  if (s.rejoin !== null && !rejoined) out.push(reason('rejoin', `Nothing in it takes the old line (${s.rejoin}) back.`));
  if (s.need.leaveOutlet && !spares.some((x) => x !== rejoined && isValved(x.part, x.end))) {
    out.push(reason('no-outlet', 'It leaves no outlet with a valve of its own free.'));
  }
  return out;
}

const isValved = (part: Part, end: PartEnd) => part.tags.includes(`valved:${end.id}`);

function spareRefused(s: Setting, part: Part, end: PartEnd): Reason | null {
  const say = (rule: string, text: string) => reason(rule, `${part.name}: ${text}`, { figures: { part: part.id, end: end.id } });
  if (end.port === 'in') return say('spare-inlet', `its inlet ${end.id} (${end.code}) would be left open.`);
  if (isValved(part, end)) return null;
  if (!s.loosePrice.has(`cap-${end.code}`)) return say('no-cap', `its end ${end.id} (${end.code}) must be closed, and there is no cap for it.`);
  const push = isPush(end) ? pushRefused(part, s.need, s.rules) : null;
  return push ? say(push.rule, push.text) : null;
}

function lengthOf(s: Setting, row: Way[]): Reason[] {
  const lines = row.filter((w) => isLine(w.part));
  if (lines.length > 1) return [reason('two-lines', 'It has more than one flexible or cut piece: one at most.')];
  if (s.need.minLengthIn !== null && lines.length === 0) return [reason('no-line', `Nothing in it reaches ${s.need.minLengthIn} in.`)];
  return [];
}

function needsOf(s: Setting, row: Way[]): Reason[] {
  const has = (tag: string) => row.some((w) => w.part.tags.includes(tag));
  const out: Reason[] = [];
  const line = row.findIndex((w) => isLine(w.part));
  if (s.need.stop) {
    const stop = row.findIndex((w) => w.part.tags.includes('stop'));
    if (stop < 0) out.push(reason('no-stop', 'It has no stop of its own.'));
    else if (line >= 0 && stop > line) out.push(reason('stop-after-line', 'Its stop comes after the line: it has to stand before.'));
  }
  if (s.need.arrestor) {
    const last = row.findLastIndex((w) => w.part.tags.includes('arrestor'));
    if (last < 0) out.push(reason('no-arrestor', 'It has no hammer arrestor.'));
    else {
      const after = row.slice(last + 1).filter((w) => isLine(w.part));
      const inches = after.reduce((sum, w) => sum + (w.part.cutToLength && s.need.minLengthIn !== null ? cutLengthIn(w.part, s.need.minLengthIn) : (w.part.lengthIn ?? 0)), 0); // biome-ignore format: one sum
      if (inches > ARRESTOR_REACH_IN) {
        out.push(reason('arrestor-far', `${inches} in of line come after its arrestor: at most ${ARRESTOR_REACH_IN}.`, { figures: { inches } }));
      }
    }
  }
  if (s.need.check && !has('check')) out.push(reason('no-check', 'It has no vented backflow preventer.'));
  return out;
}

/** Two fixed taper ends cannot be screwed onto one piece at once. */
function togetherOf(s: Setting, row: Way[]): Reason[] {
  if (row.length === 0 || row.some((w) => w.part.tags.includes('union'))) return [];
  const outs = [s.from, ...row.map((w) => w.outEnd.code)];
  const ins = [...row.map((w) => w.inEnd.code), s.to];
  const allTaper = outs.every((a, i) => (s.mating(a, ins[i] as string).seal ?? '').startsWith('taper'));
  return allTaper ? [reason('two-tapers', 'Every joint is a taper thread: it cannot be screwed together without a union.')] : [];
}
