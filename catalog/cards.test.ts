/** Cards of every kind of work, held to the order rules, to what they must say, and to the rows they came from. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { HOUSE_CHOICES } from '../core/house/choices.table.ts';
import { defaultRules, type HouseRules } from '../core/house/rules.ts';
import { actsOf } from '../core/make/acts.ts';
import { CHAIN_FIGURES } from '../core/make/figures/known-figures.ts';
import { figuresOf } from '../core/make/figures/reckon.ts';
import { makeGaps } from '../core/make/gaps/index.ts';
import { type RunFacts, type WorkStep, workCard } from '../core/make/work-card.ts';
import { matchChains } from '../core/match/chains.ts';
import { indexParts } from '../core/match/search/catalogue-index.ts';
import { readLengthIn } from '../core/units/length.ts';
import { catalogue } from './index.ts';
import { anyRun, BIDET, chainFor, kindOf, runOf, SOURCES } from './testing.ts';

const { steps, parts, loose, appliances, workKinds } = catalogue();
const _index = indexParts(parts);

describe('every card', () => {
  it('keeps the order rules, whatever is joined to what by whose rules; every joint is prepared, made, recorded and proved exactly once', () => {
    fc.assert(
      fc.property(anyRun, (run) => {
        if (!run) return;
        const card = workCard(run);
        assert.deepEqual(makeGaps(card, run), [], `${run.work} ${run.from} ${run.to} ${run.chain?.parts}`);
        const acts = actsOf(card);
        for (const { n } of run.chain?.joints ?? []) {
          const count = (verbs: string[], on?: string) =>
            acts.filter((a) => a.joint === n && verbs.includes(a.do) && (on === undefined || a.on === on)).length;
          assert.equal(count(['tighten', 'push', 'ring', 'solder']), 1, `J${n} is made once`);
          assert.equal(count(['record']), 1, `J${n} is recorded once`);
          for (const round of ['before', 'crack', 'standing', 'working'])
            assert.equal(count(['look'], round), 1, `J${n} is looked at once: ${round}`);
        }
      }),
      { numRuns: 250 },
    );
  });

  it('has every word filled in and says why', () => {
    fc.assert(
      fc.property(anyRun, (run) => {
        for (const step of run ? workCard(run) : []) {
          const wanted = [
            ...(step.tools ?? []).flatMap((t) => [t.tool, t.size ?? '', t.for]),
            ...(step.materials ?? []).flatMap((m) => [m.what, m.amount ?? '', m.for]),
          ];
          const told = [
            step.title,
            step.detail,
            step.gate ?? '',
            ...step.cautions,
            ...wanted,
            ...(step.recoveries ?? []).flatMap((r) => [r.title, ...r.steps]),
          ];
          for (const text of told) assert.doesNotMatch(text, /[{}]|undefined| {2}|^,|,$/, `${step.id}: ${text}`);
          assert.ok(step.because[0]?.text && step.because[0].source, `${step.id} says why`);
        }
      }),
      { numRuns: 100 },
    );
  });

  it('is the same for the same run, with ids of its own', () => {
    fc.assert(
      fc.property(anyRun, (run) => {
        if (!run) return;
        const card = workCard(run);
        assert.deepEqual(workCard(structuredClone(run)), card);
        assert.equal(new Set(card.map((s) => s.id)).size, card.length, 'no id stands twice');
      }),
      { numRuns: 100 },
    );
  });
});

describe('a spoiled card is refused', () => {
  const runs = workKinds.flatMap((kind) => (kind.id === 'bidet-seat' ? BIDET : SOURCES).flatMap((source) => runOf(kind, {}, source) ?? []));

  it('with its order turned round', () => {
    for (const run of runs) assert.notDeepEqual(makeGaps([...workCard(run)].reverse(), run), [], run.work);
  });

  it('with a joint made twice, or once more than the chain has', () => {
    for (const run of runs.filter((r) => r.chain)) {
      const card = workCard(run);
      const made = card.find((s) => s.joint !== undefined)!;
      assert.notDeepEqual(makeGaps([...card, made], run), [], run.work);
      const strange: WorkStep = { ...made, acts: [{ do: 'tighten', joint: run.chain!.joints.length + 1 }] };
      assert.notDeepEqual(makeGaps([...card, strange], run), [], run.work);
    }
  });

  it('with any act of the rules left out', () => {
    // What a theme adds beyond the rules may go without the rules noticing; what they ask may not.
    const asked = [
      'water-off', 'prove-dead', 'power-off', 'prove-power-dead', 'power-on', 'bond', 'cut', 'deburr', 'mark-depth', 'insert', 'ferrule', 'sealant', 'start-thread',
      'tighten', 'push', 'ring', 'gauge', 'tug', 'flux', 'solder', 'cool', 'flush-line', 'water-on-crack', 'water-on-full', 'record', 'put-back', 'energy-on',
    ]; // biome-ignore format: a list of words
    for (const run of runs) {
      const card = workCard(run);
      const others = (verb: string) => actsOf(card).filter((a) => a.do === verb).length;
      for (const [i, step] of card.entries()) {
        for (const [k, act] of step.acts.entries()) {
          const isAsked = asked.includes(act.do) && (act.joint !== undefined || others(act.do) === 1);
          if (!isAsked) continue;
          const spoiled = card.map((s, j) => (j === i ? { ...s, acts: s.acts.filter((_, m) => m !== k) } : s));
          assert.notDeepEqual(makeGaps(spoiled, run), [], `${run.work} ${run.from}: ${act.do} ${act.joint ?? ''}`);
        }
      }
    }
  });

  it('with a proof that nobody is asked for', () => {
    for (const run of runs) {
      const card = workCard(run).map((s) => (s.acts.some((a) => a.do.startsWith('prove-')) ? { ...s, gate: undefined } : s)) as WorkStep[];
      assert.notDeepEqual(makeGaps(card, run), [], run.work);
    }
  });
});

describe('what a plumber would look for', () => {
  const cardOf = (work: string, more: Partial<RunFacts> = {}, source = SOURCES[0]!) => workCard(runOf(kindOf(work), more, source)!);
  const at = (card: WorkStep[], verb: string, on?: string) => actsOf(card).findIndex((a) => a.do === verb && (on === undefined || a.on === on));
  const words = (card: WorkStep[]) => card.flatMap((s) => [s.title, s.detail, s.gate ?? '', ...s.cautions]).join('\n');
  const cautions = (card: WorkStep[]) => card.flatMap((s) => s.cautions).join('\n');

  it('draws a refrigerator out before it reaches the stop in the wall box, and shuts the water first elsewhere', () => {
    const box = cardOf('refrigerator-wall-box');
    assert.ok(at(box, 'move-out') < at(box, 'water-off'));
    const stop = cardOf('refrigerator-stop');
    assert.ok(at(stop, 'water-off') < at(stop, 'move-out'));
  });

  it('solders before anything that melts, with an end open, and lets it cool', () => {
    const solder = parts.filter((p) => p.tags.includes('solder') || p.tags.includes('hose'));
    const chain = matchChains({ from: 'cu-5/8od', to: 'bc-7/8-m', parts: solder, loose, k: 1, need: { water: 'cold', stop: true } }).chains[0]!;
    const run = {
      ...runOf(kindOf('stop-replace'), { appliance: appliances.find((a) => a.id === 'toilet')! })!,
      chain,
      from: 'cu-5/8od',
      to: 'bc-7/8-m',
      stop: null,
    };
    const card = workCard(run);
    assert.deepEqual(makeGaps(card, run), []);
    const order = ['bond', 'cut', 'vent', 'solder', 'cool', 'attach-plastic', 'flush-line'].map((verb) => at(card, verb));
    assert.deepEqual(
      [...order].sort((a, b) => a - b),
      order,
    );
    assert.match(words(card), /1\/2 in of lead-free wire/);
  });

  it('starts both nuts of a riser before either is tightened, the lower first', () => {
    const riser = parts.filter((p) => p.tags.includes('line:riser'));
    const chain = matchChains({ from: 'comp-3/8-m', to: 'bc-7/8-m', parts: riser, loose, k: 1, need: { water: 'cold', minLengthIn: 9 } }).chains[0]!;
    const card = cardOf('toilet-riser', { chain });
    const acts = actsOf(card).flatMap((a) => (a.do === 'start-thread' || a.do === 'tighten' ? [`${a.do} ${a.joint}`] : []));
    assert.deepEqual(acts, ['start-thread 1', 'start-thread 2', 'tighten 1', 'tighten 2']);
  });

  it('warns of scald only where it is hot, of flame only where there is one, of drilling only where something is drilled', () => {
    assert.doesNotMatch(cautions(cardOf('refrigerator-stop')), /scald|fire/i);
    assert.match(cautions(cardOf('dishwasher-swap')), /Scald/);
    assert.match(cautions(cardOf('refrigerator-from-below')), /cables/);
    assert.doesNotMatch(cautions(cardOf('toilet-line')), /cables|breaker off|scald/i);
    assert.match(cautions(cardOf('toilet-replace')), /Eye protection/);
    assert.match(cautions(cardOf('hydrant', {}, ['npt-1/2-f'])), /hoses come off before frost/);
  });

  it('says turns and sealant by the rules of the house', () => {
    const taper = (rules: HouseRules) => words(cardOf('hydrant', { rules }, ['npt-1/2-f']));
    const plain = taper(defaultRules);
    if (/on the taper/.test(plain)) {
      assert.match(plain, /tape on the taper/);
      assert.match(taper({ ...defaultRules, threadSealant: 'paste' }), /tape on the taper|paste on the taper/);
    }
    assert.match(words(cardOf('toilet-line')), /turn the nut 1\/4 turn \(1\/4 turn to 1\/2 turn is usual\)/);
  });

  it('holds what the sheet of the appliance says against what is there, and says what was not read', () => {
    const sheet = { 'opening-width': { name: 'opening: width', text: '24 in' }, 'counter-gap': { name: 'gap under the counter', text: '' } };
    const step = cardOf('dishwasher-new', { sheet }).find((s) => s.id === 'shut-dish-measure')!;
    assert.deepEqual(
      step.figures,
      Object.entries(sheet).map(([id, f]) => ({ id, ...f })),
    );
    assert.ok(step.gate, 'it is a question');
    const known = new Set(catalogue().look.sheets.map((s) => s.id));
    for (const t of steps) for (const figure of t.figures ?? []) assert.ok(known.has(figure), `${t.id} names ${figure}`);
  });

  it('works out legs, zones and holes of a dishwasher from what is measured', () => {
    const sheet = {
      'opening-height': { name: 'opening: height', text: '34' },
      'counter-gap': { name: 'gap under the counter', text: '1/8' },
      'line-zone': { name: 'zone of the line', text: '5 to 6 1/4 in from its edge' },
    };
    const typed = { 'opening-height-is': '34 1/2', 'body-height': '33', 'line-hole-is': '6 1/2' };
    const measured = Object.fromEntries(Object.entries(typed).map(([id, text]) => [id, { text, inches: readLengthIn(text) }]));
    const reckoned = cardOf('dishwasher-new', { sheet, measured }).flatMap((s) => s.reckoned ?? []);
    const said = (id: string) => reckoned.find((r) => r.id === id)!;
    assert.deepEqual([said('leg-height').text, said('leg-height').isOff], ['wound out 1 3/8 in', false]);
    assert.deepEqual([said('line-in-zone').text, said('line-in-zone').isOff], ['6 1/2 in: 1/4 in past its zone, the hose will kink', true]);
    assert.equal(said('opening-high').text, '34 1/2 in: high enough');
    assert.deepEqual(said('opening-wide').wants, ['opening, its width at its narrowest', 'opening-width']);
    assert.match(said('hole-line').text, /^1 in, spade bit/, 'over the corners of an 11/16 nut, and a little');
  });

  it('reckons only with what the same card measures by then, a sheet brings, or the chain gives', () => {
    const ofSheet = new Set(catalogue().look.sheets.map((s) => s.id));
    const rows = new Map(steps.flatMap((t) => (t.reckons ?? []).map((r) => [r.id, r] as const)));
    let reckonings = 0;
    for (const kind of workKinds) {
      const run = runOf(kind);
      if (!run) continue;
      const measured = new Set(CHAIN_FIGURES);
      for (const step of workCard(run)) {
        for (const m of step.measures ?? []) measured.add(m.id);
        for (const { id: name } of step.reckoned ?? []) {
          reckonings += 1;
          for (const id of figuresOf(rows.get(name)!))
            assert.ok(measured.has(id) || ofSheet.has(id), `${kind.id}, ${step.id}: ${id} is not measured by then`);
        }
      }
    }
    assert.ok(reckonings > 20, `${reckonings}`);
  });

  it('caps every spare outlet but one at which another run begins', () => {
    const dual = chainFor('npt-1/2-m', 'bc-7/8-m', undefined, { water: 'cold', stop: true, leaveOutlet: true })!;
    const free = dual.branches.find((b) => b.use === 'free')!;
    const run = { ...runOf(kindOf('toilet-line'))!, chain: dual, from: 'npt-1/2-m', to: 'bc-7/8-m' };
    const caps = (card: WorkStep[]) => actsOf(card).filter((a) => a.do === 'cap' && a.on === free.code).length;
    assert.equal(caps(workCard(run)), 1);
    const taken = { ...run, takenOutlets: [`${free.part} ${free.end}`] };
    assert.equal(caps(workCard(taken)), 0);
    assert.deepEqual(makeGaps(workCard(taken), taken), []);
    assert.notDeepEqual(makeGaps(workCard(taken), run), [], 'a knocked handle floods');
  });

  it('numbers the drain joints and looks at them while it works', () => {
    const card = cardOf('basin-faucet');
    assert.deepEqual(
      actsOf(card)
        .filter((a) => a.do === 'drain-make')
        .map((a) => a.on),
      ['D1', 'D2', 'D3'],
    );
    for (const n of ['D1', 'D2', 'D3']) assert.match(words(card), new RegExp(n));
    const working = card.find((s) => s.round === 'working')!;
    assert.deepEqual(
      working.drains?.map((d) => [d.on, d.lookedAt]),
      [
        ['D1', 'full bowl standing'],
        ['D2', 'full bowl let go while the rod is worked'],
        ['D3', 'full bowl let go'],
      ],
    );
    assert.match(working.drains![2]!.remedies[0]!, /nudge/);
  });

  it('changes by one choice of the house the steps that choice names, and no others', () => {
    for (const [key, options] of Object.entries(HOUSE_CHOICES)) {
      const naming = new Set(steps.filter((t) => t.when.rule?.[key] !== undefined).map((t) => t.id));
      for (const kind of workKinds.filter((k) => k.id !== 'bidet-seat')) {
        const run = runOf(kind)!;
        // The same chain: what is proposed at all is not the card's.
        const [usual, other] = options.slice(0, 2).map((value) => workCard({ ...run, rules: { ...defaultRules, [key]: value } }));
        const told = (card: WorkStep[]) => new Map(card.map((s) => [s.id, JSON.stringify([s.title, s.detail, s.acts, s.cautions, s.gate])]));
        const [a, b] = [told(usual!), told(other!)];
        const changed = [...new Set([...a.keys(), ...b.keys()])].filter((id) => a.get(id) !== b.get(id));
        if (key === 'reuse') continue;
        for (const id of changed) assert.ok(naming.has(id.split(':')[0] as string), `${key} changes ${id} of ${kind.id}`);
      }
    }
  });
});
