import { endName, parseEnd, tubeMaxFOf } from '../../ends/index.ts';
import { type Reason, reason } from '../../reason.ts';
import { sealById } from '../../rows/index.ts';
import { length, said, temperature } from '../../units/index.ts';
import { matchChains, sealsSomehow } from '../chains.ts';
import type { Part, PartEnd } from '../part.ts';
import { isLine } from '../part.ts';
import { ARRESTOR_REACH_IN, MAX_JOINTS, type MatchQuery } from '../query.ts';
import { type Setting, settingOf } from '../search/setting.ts';
import { stubRefuses } from '../stub.ts';
import { cutLengthIn, pushRefused, unsuited } from '../suits.ts';

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
 * ports, joints in order, ends left over, length, stop, arrestor, check and stop-leak device.
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
  if (own.length > 0 || best.reasons.length > 0 || marginal) return [...own, ...best.reasons, ...last];
  return idleReason(q, parts);
}

/** Some of its parts do by themselves, for less: the rest is idle. */
function idleReason(q: MatchQuery, parts: Part[]): Reason[] {
  const [best] = matchChains({ ...q, parts, k: 1 }).chains;
  if (!best || best.parts.join(' ') === parts.map((p) => p.id).join(' ')) return [];
  const idle = parts.filter((p) => !best.parts.includes(p.id)).map((p) => p.name);
  const text =
    idle.length > 0
      ? `It holds without ${idle.join(' and ')}, for less: nothing idle stands in a chain.`
      : 'The same parts in another order cost less.';
  return [reason('idle', text, { figures: { parts: best.parts.join(' ') } })];
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

/** An end that the water does not go through. */
interface Spare {
  part: Part;
  end: PartEnd;
  /** Place of its part in the row. */
  at: number;
}

function judge(s: Setting, row: Way[]): Verdict {
  const joints = jointsOf(s, row);
  const spares = row.flatMap((w, at) => w.spare.map((end): Spare => ({ part: w.part, end, at })));
  const takers = s.rejoin === null ? [] : spares.filter((spare) => takesOldLine(s, spare));
  // Which end takes the old line decides what its stop and its check are worth: the kindest is told.
  const rests = (takers.length > 0 ? takers : [null]).map((rejoined) => [...sparesOf(s, spares, rejoined), ...needsOf(s, row, rejoined)]);
  const rest = rests.reduce((best, one) => (one.length < best.length ? one : best));
  const reasons = [...joints.reasons, ...pushOf(s, row), ...rest, ...lengthOf(s, row), ...togetherOf(s, row)];
  return { reasons, marginal: joints.marginal, reached: joints.reached };
}

function takesOldLine(s: Setting, { part, end }: Spare): boolean {
  const rejoin = s.rejoin as string;
  const mating = s.mating(rejoin, end.code);
  if (mating.verdict !== 'seals' && mating.verdict !== 'marginal') return false;
  if (!s.need.reachable && mating.seal !== null && !sealById(mating.seal).mayBeHidden) return false;
  if (Math.min(tubeMaxFOf(rejoin), tubeMaxFOf(end.code)) < s.need.tempF) return false;
  return end.port !== 'in' && !(isPush(end) && pushRefused(part, s.need, s.rules));
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
        verdict.reasons.push(
          reason('hidden-seal', `J${i + 1}, ${endName(a)} with ${endName(b)}: this seal may not be hidden for good.`, { figures: joint }),
        );
      }
      const hot = [a, b].find((code) => tubeMaxFOf(code) < s.need.tempF);
      if (hot !== undefined) {
        const figures = { ...joint, maxF: tubeMaxFOf(hot), tempF: s.need.tempF };
        verdict.reasons.push(
          reason('tube-heat', said`J${i + 1}: ${hot} bears ${temperature(tubeMaxFOf(hot))}, the water is ${temperature(s.need.tempF)}.`, { figures }),
        );
      }
      const refused = foundTube(s, i, outs.length) && stubRefuses(s.need.stub!, s[s.need.stub!.side], mating);
      if (refused) verdict.reasons.push({ ...refused, text: `J${i + 1}: ${refused.text}`, figures: { ...refused.figures, ...joint } });
      verdict.marginal ||= mating.verdict === 'marginal';
      if (verdict.reasons.length === 0) verdict.reached++;
      return;
    }
    const rule = mating.nearMiss ?? mating.because[0]?.rule ?? mating.verdict;
    verdict.reasons.push(reason(rule, `J${i + 1}, ${endName(a)} with ${endName(b)}: ${mating.because[0]?.text ?? 'no joint.'}`, { figures: joint }));
  });
  return verdict;
}

/** Is the tube that was found in place in this joint of the row? */
const foundTube = (s: Setting, joint: number, joints: number): boolean =>
  s.need.stub !== null && joint === (s.need.stub.side === 'from' ? 0 : joints - 1);

function pushOf(s: Setting, row: Way[]): Reason[] {
  return row.flatMap((w) => {
    const refusal = isPush(w.inEnd) || isPush(w.outEnd) ? pushRefused(w.part, s.need, s.rules) : null;
    return refusal && pushReasons(s, w.part).length === 0 ? named(w.part, [refusal]) : [];
  });
}

/** Ends left over: one takes the old line when that is given, a valved one may stay free, any other wants a cap, an inlet rules it out. */
function sparesOf(s: Setting, spares: Spare[], rejoined: Spare | null): Reason[] {
  const out = spares.filter((x) => x !== rejoined).flatMap((x) => spareRefused(s, x.part, x.end) ?? []);
  if (s.rejoin !== null && !rejoined) out.push(reason('rejoin', `Nothing in it takes the old line (${s.rejoin}) back.`));
  if (s.need.leaveOutlet && !spares.some((x) => x !== rejoined && isValved(x.part, x.end))) {
    out.push(reason('no-outlet', 'It leaves no outlet with a valve of its own free.'));
  }
  return out;
}

const isValved = (part: Part, end: PartEnd) => part.tags.includes(`valved:${end.id}`);

function spareRefused(s: Setting, part: Part, end: PartEnd): Reason | null {
  const say = (rule: string, text: string) => reason(rule, `${part.name}: ${text}`, { figures: { part: part.id, end: end.id } });
  if (end.port === 'in') return say('spare-inlet', `its inlet ${end.id} (${endName(end.code)}) would be left open.`);
  if (isValved(part, end)) return null;
  if (!s.loosePrice.has(`cap-${end.code}`))
    return say('no-cap', `its end ${end.id} (${endName(end.code)}) must be closed, and there is no cap for it.`);
  const push = isPush(end) ? pushRefused(part, s.need, s.rules) : null;
  return push ? say(push.rule, push.text) : null;
}

function lengthOf(s: Setting, row: Way[]): Reason[] {
  const lines = row.filter((w) => isLine(w.part));
  if (lines.length > 1) return [reason('two-lines', 'It has more than one flexible or cut piece: one at most.')];
  if (s.need.minLengthIn !== null && lines.length === 0) return [reason('no-line', said`Nothing in it reaches ${length(s.need.minLengthIn)}.`)];
  return [];
}

/** A part that is a stop on this way: where it has valves on ends of its own, the water leaves it by one of them. */
const isStop = ({ part, outEnd }: Way) =>
  part.tags.includes('stop') && (isValved(part, outEnd) || !part.tags.some((tag) => tag.startsWith('valved:')));

function needsOf(s: Setting, row: Way[], rejoined: Spare | null): Reason[] {
  const out: Reason[] = [];
  const firstLine = row.findIndex((w) => isLine(w.part));
  const line = firstLine < 0 ? Number.POSITIVE_INFINITY : firstLine;
  const from = rejoined?.at ?? -1;
  if (s.need.rejoinFirst && from > line) {
    out.push(reason('rejoin-after-line', 'The old line is joined again after the line: it stays where it was parted, and has to come before.'));
  }
  /** Of this run alone: not before the old line is joined again, and with it only by a valve of its own. */
  const isOwn = (w: Way, at: number) => at > from || (at === from && isValved(w.part, w.outEnd));
  const stops = row.flatMap((w, at) => (isStop(w) ? [{ at, counts: at <= line && isOwn(w, at), w }] : []));
  const stop = stops.find((x) => x.counts)?.at ?? Number.POSITIVE_INFINITY;
  if (s.need.stop && stop === Number.POSITIVE_INFINITY) {
    if (!row.some((w) => w.part.tags.includes('stop'))) out.push(reason('no-stop', 'It has no stop of its own.'));
    else if (stops.length === 0) out.push(reason('stop-elsewhere', 'Its valve is on another outlet than the one the water leaves by.'));
    else if (stops.every((x) => !isOwn(x.w, x.at))) {
      out.push(reason('stop-shared', 'Its stop stands before the old line is joined again: it would shut both.'));
    } else out.push(reason('stop-after-line', 'Its stop comes after the line: it has to stand before.'));
  }
  if (s.need.arrestor) {
    const last = row.findLastIndex((w) => w.part.tags.includes('arrestor'));
    if (last < 0) out.push(reason('no-arrestor', 'It has no hammer arrestor.'));
    else {
      const after = row.slice(last + 1).filter((w) => isLine(w.part));
      const inches = after.reduce(
        (sum, w) => sum + (w.part.cutToLength && s.need.minLengthIn !== null ? cutLengthIn(w.part, s.need.minLengthIn) : (w.part.lengthIn ?? 0)),
        0,
      );
      if (inches > ARRESTOR_REACH_IN) {
        out.push(
          reason('arrestor-far', said`${length(inches)} of line come after its arrestor: at most ${length(ARRESTOR_REACH_IN)}.`, {
            figures: { inches },
          }),
        );
      }
    }
  }
  if (s.need.check) out.push(...checkOf(s, row, from, stop));
  if (s.need.stopLeak) out.push(...stopLeakOf(s, row, from, stop));
  return out;
}

/** A check protects what stands before it: the old line, and the water main behind the stop. */
function checkOf(s: Setting, row: Way[], rejoinAt: number, stopAt: number): Reason[] {
  const checks = row.flatMap((w, at) => (w.part.tags.includes('check') ? [at] : []));
  if (checks.length === 0) return [reason('no-check', 'It has no vented backflow preventer.')];
  const behind = checks.filter((at) => at > rejoinAt);
  if (behind.length === 0)
    return [reason('check-before-rejoin', 'Its backflow preventer stands before the old line is joined again: it has to stand after.')];
  if (!s.need.stop || behind.some((at) => at > stopAt)) return [];
  return [reason('check-before-stop', 'Its backflow preventer stands before the stop: it has to stand after, where it can be renewed.')];
}

/** A stop-leak device stops the leak of what stands after it, the line with it, and is renewed behind the stop. */
function stopLeakOf(s: Setting, row: Way[], rejoinAt: number, stopAt: number): Reason[] {
  const devices = row.flatMap((w, at) => (w.part.tags.includes('stop-leak') ? [at] : []));
  if (devices.length === 0) return [reason('no-stop-leak', 'It has no stop-leak device.')];
  const line = row.findIndex((w) => isLine(w.part));
  const before = devices.filter((at) => line < 0 || at < line);
  if (before.length === 0) return [reason('stop-leak-after-line', 'Its stop-leak device comes after the line: a leak of the line would run on.')];
  if (before.some((at) => at > rejoinAt && (!s.need.stop || at > stopAt))) return [];
  return [reason('stop-leak-before', 'Its stop-leak device stands before the stop or the old line: it has to stand after.')];
}

/** Two fixed taper ends cannot be screwed onto one piece at once. */
function togetherOf(s: Setting, row: Way[]): Reason[] {
  if (row.length === 0 || row.some((w) => w.part.tags.includes('union'))) return [];
  const outs = [s.from, ...row.map((w) => w.outEnd.code)];
  const ins = [...row.map((w) => w.inEnd.code), s.to];
  const allTaper = outs.every((a, i) => (s.mating(a, ins[i] as string).seal ?? '').startsWith('taper'));
  return allTaper ? [reason('two-tapers', 'Every joint is a taper thread: it cannot be screwed together without a union.')] : [];
}
