import { allEndCodes, type EndCode, endLabel, parseEnd, tubeMaxFOf } from '../../ends/index.ts';
import { defaultRules } from '../../house/index.ts';
import { type Reason, reason } from '../../reason.ts';
import { diameter, length, type Said, said, temperature } from '../../units/index.ts';
import type { MatchQuery } from '../query.ts';
import { callbackRateOf, type Setting } from '../search/setting.ts';

/**
 * Why there is no chain: the requirement that alone stands in its way where there is one, else the two ends of the part that is missing.
 *
 * @param possible answers whether a changed query has a chain
 */
export function explainUnreachable(s: Setting, q: MatchQuery, possible: (q: MatchQuery) => boolean): Reason[] {
  const hot = [s.from, s.to, ...(s.rejoin === null ? [] : [s.rejoin])].find((code) => tubeMaxFOf(code) < s.need.tempF);
  if (hot !== undefined) {
    const figures = { end: hot, maxF: tubeMaxFOf(hot), tempF: s.need.tempF };
    const words = said`${endLabel(hot)} bears ${temperature(tubeMaxFOf(hot))}, the water is ${temperature(s.need.tempF)}: it has to be replaced.`;
    return [reason('tube-heat', words, { figures })];
  }
  const pipe = [s.from, s.to].find((code) => parseEnd(code).family === 'steel');
  if (pipe !== undefined) return [threading(pipe)];
  const [a, b] = [counterpart(s, s.from), counterpart(s, s.to)];
  if (!a || !b) {
    const side = a ? s.to : s.from;
    if (parseEnd(side).family === 'pb') {
      return [
        reason(
          'no-counterpart',
          'Grey polybutylene takes only fittings listed for it: by its sheet, on sound pipe, a listed transition to PEX, and begin at 1/2 nominal PEX after it. Tell the owner, and plan its replacement.',
          { figures: { end: side, instead: 'pex-5/8od' } },
        ),
      ];
    }
    return [reason('no-counterpart', `Nothing in the tables seals on ${endLabel(side)}: it has to be replaced or cut back.`)];
  }
  const stands = relaxations(q).find(({ query }) => possible(query));
  if (stands) return [reason(stands.rule, stands.text)];
  return [
    reason('missing-part', `No chain in this catalogue. The missing part would have ${endLabel(a)} on one side and ${endLabel(b)} on the other.`, {
      figures: { from: a, to: b },
    }),
  ];
}

/** Plain steel pipe takes nothing but a thread: what to do instead. */
function threading(pipe: EndCode): Reason {
  const thread = `npt-${parseEnd(pipe).size}-m`;
  return reason(
    'needs-threading',
    `Nothing in the catalogue grips plain steel pipe. Unscrew it at its next fitting and begin at that thread, fit a coupling whose maker lists it for steel pipe, or have the pipe cut and threaded: it is then ${endLabel(thread)}. Without a threader: call for threading.`,
    { figures: { end: pipe, instead: thread } },
  );
}

/** The end that seals best on another, by its callback rate; of equals the first of the tables. */
function counterpart(s: Setting, code: EndCode): EndCode | null {
  let best: { code: EndCode; rate: number } | null = null;
  for (const other of allEndCodes) {
    const mating = s.mating(code, other);
    if (mating.verdict !== 'seals') continue;
    const rate = callbackRateOf(s, mating);
    if (!best || rate < best.rate) best = { code: other, rate };
  }
  return best?.code ?? null;
}

/** The query with one requirement dropped at a time, and how to say that this one is in the way. */
function relaxations(q: MatchQuery): { rule: string; text: string | Said; query: MatchQuery }[] {
  const { need } = q;
  const without = (change: Partial<MatchQuery['need']>): MatchQuery => ({ ...q, need: { ...need, ...change } });
  const out: { rule: string; text: string | Said; query: MatchQuery }[] = [];
  const add = (asked: unknown, rule: string, text: string | Said, query: MatchQuery) => asked && out.push({ rule, text, query });
  add(
    need.arrestor,
    'only-without-arrestor',
    'These ends can be joined, but no chain has a hammer arrestor within 6 ft.',
    without({ arrestor: false }),
  );
  add(need.stop, 'only-without-stop', 'These ends can be joined, but no chain has its own stop.', without({ stop: false }));
  add(need.check, 'only-without-check', 'These ends can be joined, but no chain has a vented backflow preventer.', without({ check: false }));
  add(need.stopLeak, 'only-without-stop-leak', 'These ends can be joined, but no chain has a stop-leak device.', without({ stopLeak: false }));
  add(need.leaveOutlet, 'only-without-outlet', 'These ends can be joined, but no chain leaves an outlet free.', without({ leaveOutlet: false }));
  add(
    need.minLengthIn,
    'only-shorter',
    said`These ends can be joined, but no line in the catalogue reaches ${length(need.minLengthIn ?? 0)}.`,
    without({ minLengthIn: undefined }),
  );
  add(need.avoid?.length, 'only-with-avoided', `These ends can be joined, but only with ${need.avoid?.join(' or ')}.`, without({ avoid: [] }));
  add(
    need.reachable === false,
    'only-reachable',
    'These ends can be joined, but not where the joints cannot be reached.',
    without({ reachable: true }),
  );
  add(need.water === 'hot', 'only-cold', 'These ends can be joined for cold water, but not for hot.', without({ water: 'cold', tempF: undefined }));
  add(
    need.minBoreIn,
    'only-narrower',
    said`These ends can be joined, but only by parts narrower than ${diameter(need.minBoreIn ?? 0)}.`,
    without({ minBoreIn: undefined }),
  );
  const rules = q.rules ?? defaultRules;
  add(
    rules.push === 'never' || need.reachable === false,
    'only-with-push',
    'These ends can be joined, but only with a push fitting, which the house rule does not allow here. Allow it for this run with a reason, or have a transition cemented on: cement is not judged here.',
    { ...q, rules: { ...rules, push: need.reachable === false ? 'where listed' : 'where reachable' } },
  );
  add(
    need.stub,
    'only-on-sound-tube',
    'These ends can be joined, but not on the tube as it was found: cut it back to sound, bare tube of enough length, or open the wall.',
    without({ stub: undefined }),
  );
  add(q.rejoin, 'only-without-rejoin', 'These ends can be joined, but no tee takes the old line back.', { ...q, rejoin: undefined });
  return out;
}
