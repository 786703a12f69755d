/** What Look found at a run, over time: judged, corrected, taken back, and asked of the chain. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../../catalog/index.ts';
import { defaultRules, type HouseRules } from '../../../core/house/rules.ts';
import { type Bodies, type Entry, type EntryKind, kindOf } from '../../kinds.ts';
import { needOfRun } from '../needs/need.ts';
import { runState } from '../state.ts';
import { CONTEXT } from '../testing.ts';
import { judgeRun, surveyOf } from './survey.ts';

const { look, appliances } = catalogue();
const context = (id: string, water: 'cold' | 'hot' = 'cold') => ({ ...CONTEXT, look, water, appliance: appliances.find((a) => a.id === id)! });
const RULES: HouseRules = { ...defaultRules, connector: 'reuse if sound' };

function recorded(...all: (readonly [EntryKind, unknown, string?])[]): Entry[] {
  return all.map(([kind, body, correctsId = null as never], i) => {
    const seen = new Date(Date.UTC(2026, 2, 10, 9, i)).toISOString();
    const base = {
      id: `e${i}`,
      visitId: 'visit',
      runId: 'run',
      jointId: null,
      checkPointId: null,
      deviceId: 'phone',
      seenAt: seen,
      sentAt: seen,
      recordedAt: seen,
    };
    return { ...base, correctsId, kind, body } as Entry;
  });
}
const judged = (id: string, entries: Entry[]) => judgeRun(context(id), runState(context(id), entries), RULES);
const verdicts = (id: string, entries: Entry[]) => Object.fromEntries(judged(id, entries).judgements.map((j) => [j.of, j.verdict]));

describe('the survey of a run', () => {
  it('holds what was said, and leaves open what was not', () => {
    const entries = recorded(
      ['line-seen', { line: 'braided', ageYears: 12, seen: ['stain'] } satisfies Bodies['line-seen']],
      ['stop-tried', { kind: 'multi-turn', condition: 'passes' }],
      ['thing-seen', { on: 'screen', seen: ['debris'] }],
      ['water-measured', { of: 'running', text: '1 bar', psi: 14.5 }],
      ['place-seen', { hidden: false, ownStop: false, arrestor: false, pressurePsi: 95, pressureText: '95 psi' }],
      ['symptom-told', { symptom: 'slow-fill', is: true }],
    );
    assert.deepEqual(verdicts('toilet', entries), { line: 'replace', stop: 'replace', screen: 'clean', pressure: 'act', flow: 'act' });
    const { causes, unknowns } = judged('toilet', entries);
    assert.deepEqual(causes[0]!.pointedBy, ['screen:debris']);
    assert.ok(!unknowns.some((u) => u.fact === 'line-age') && unknowns.some((u) => u.fact === 'ends'));
  });

  it('keeps what two devices say of one thing at once, until it is said otherwise, emptied or taken back', () => {
    const entries = recorded(
      // As an older page says it, all at once; then two devices, neither of which knew of the other's.
      ['place-seen', { hidden: true, ownStop: false, arrestor: false, pressurePsi: 95, pressureText: '95 psi' }],
      ['place-seen', { arrestor: true }],
      ['place-seen', { afterOsmosis: true }],
      ['surroundings-seen', { power: 'plug', drain: 'left of the sink' }],
      ['surroundings-seen', { wayOut: 'two steps' }],
      ['line-seen', { line: 'braided', ageYears: 9 }],
      ['line-seen', { seen: ['stain'] }],
      ['hammer-heard', { bangs: true }],
      ['hammer-heard', { there: 'none' }],
    );
    const state = (all: Entry[]) => runState(context('refrigerator'), all);
    const { place, survey } = state(entries);
    assert.deepEqual(place, { hidden: true, ownStop: false, arrestor: true, afterOsmosis: true, pressurePsi: 95, pressureText: '95 psi' });
    assert.deepEqual(survey.surroundings, { power: 'plug', drain: 'left of the sink', wayOut: 'two steps' });
    assert.deepEqual(survey.line, { line: 'braided', ageYears: 9, seen: ['stain'] });
    assert.deepEqual(survey.hammer, { bangs: true, there: 'none' });
    const later = '2026-12-01T00:00:00.000Z';
    const more = (...last: [EntryKind, unknown, string?][]) =>
      state([...entries, ...recorded(...last).map((e, i) => ({ ...e, id: `m${i}`, seenAt: later, sentAt: later, recordedAt: later }))]);
    assert.deepEqual(more(['place-seen', { pressurePsi: null, pressureText: null }]).place.pressurePsi, undefined);
    assert.deepEqual(more(['line-seen', { line: 'none', ageYears: null, seen: null }]).survey.line, { line: 'none' });
    const back = more(['withdrawn', { reason: 'wrong run' }, 'e2']).place;
    assert.deepEqual([back.afterOsmosis, back.arrestor], [undefined, true], 'the one taken back, not its neighbour');
  });

  it('takes in sight for in sight only where somebody said so, and an end for sure unless somebody doubts it', () => {
    const place = { hidden: false, ownStop: false, arrestor: false };
    const facts = (...entries: Parameters<typeof recorded>) => judged('refrigerator', recorded(...entries)).unknowns.map((u) => u.fact);
    assert.ok(facts(['place-seen', place]).includes('hidden'), 'a tick of something else says nothing of it');
    assert.ok(!facts(['place-seen', { ...place, hiddenKnown: true }]).includes('hidden'));
    assert.ok(!facts(['place-seen', { ...place, hidden: true }]).includes('hidden'), 'said by an older page');
    assert.ok(facts().includes('osmosis') && !facts(['place-seen', { ...place, afterOsmosis: false }]).includes('osmosis'));
    const ends = (doubt?: Bodies['end-seen']['doubt']) => [
      ['end-seen', { side: 'from', end: 'comp-3/8-m', how: 'seen' }] as const,
      ['end-seen', { side: 'to', end: 'comp-1/4-m', how: 'measured', ...(doubt ? { doubt } : {}) }] as const,
    ];
    assert.ok(!facts(...ends()).some((f) => f === 'ends' || f === 'ends-sure'));
    assert.ok(facts(...ends({ share: 0.6, others: ['npt-1/8-m'] })).includes('ends-sure'));
  });

  it('keeps what goes on again with what holds of it, until it does not', () => {
    const state = (...entries: Parameters<typeof recorded>) => runState(context('toilet'), recorded(...entries)).survey.reuse;
    const barb = { what: 'barb', is: true, holds: ['barb unscored after its ring was cut off'], fails: [] };
    assert.deepEqual(state(['reuse-seen', barb]), { barb });
    assert.deepEqual(state(['reuse-seen', barb], ['reuse-seen', { ...barb, is: false }]), {});
  });

  it('follows the last that was said of each thing, a correction, and what was taken back', () => {
    const line = recorded(['line-seen', { line: 'rubber', ageYears: 6, seen: [] }], ['line-seen', { line: 'rubber', ageYears: 2, seen: [] }, 'e0']);
    assert.deepEqual(verdicts('toilet', line), { line: 'keep' });
    const back = recorded(['thing-seen', { on: 'screen', seen: ['debris'] }], ['withdrawn', { reason: 'it was the other one' }, 'e0']);
    assert.deepEqual(verdicts('toilet', back), {});
    const both = recorded(
      ['symptom-told', { symptom: 'bang', is: true }],
      ['symptom-told', { symptom: 'stain', is: true }],
      ['symptom-told', { symptom: 'bang', is: false }],
    );
    assert.deepEqual(runState(context('toilet'), both).survey.symptoms, ['stain']);
  });

  it('leaves out findings and symptoms that the catalogue has no more', () => {
    const entries = recorded(
      ['line-seen', { line: 'copper', seen: ['green-bloom', 'of-another-year'] }],
      ['symptom-told', { symptom: 'of-another-year', is: true }],
    );
    assert.deepEqual(surveyOf(context('toilet'), runState(context('toilet'), entries)).line?.seen, ['green-bloom']);
    assert.deepEqual(verdicts('toilet', entries), { line: 'watch' });
  });

  it('asks the chain for the stop that goes and the arrestor that comes, with why; a kept one asks nothing', () => {
    const asked = (...all: [EntryKind, unknown][]) => {
      const ctx = context('dishwasher', 'hot');
      const { asked, need } = needOfRun(ctx, runState(ctx, recorded(...all)), RULES);
      return { ids: asked.filter((a) => a.from === 'look').map((a) => a.id), because: asked.map((a) => a.because), need };
    };
    const bad = asked(['stop-tried', { kind: 'multi-turn', condition: 'seized-open' }], ['hammer-heard', { there: 'none', bangs: true }]);
    assert.deepEqual(bad.ids, ['own-stop', 'arrestor']);
    assert.deepEqual([bad.need.stop, bad.need.arrestor], [true, true]);
    assert.ok(bad.because.some((b) => b.startsWith('It cannot be shut')) && bad.because.some((b) => b.startsWith('It bangs and has none')));
    const good = asked(['stop-tried', { kind: 'quarter-turn', condition: 'works' }], ['hammer-heard', { there: 'arrestor', bangs: false }]);
    assert.deepEqual([good.ids, good.need.stop, good.need.arrestor], [[], undefined, undefined]);
    // No stop at all is asked for once, by the appliance.
    const none = asked(['stop-tried', { kind: 'none', condition: 'unknown' }]);
    assert.equal(none.need.stop, true);
    assert.equal(none.because.filter((b) => /^No stop is there/.test(b)).length, 1);
  });

  it('goes by the appliance’s own sheet where it was read, and by the catalogue again where it was emptied', () => {
    const psi: [EntryKind, unknown] = ['place-seen', { hidden: false, ownStop: false, arrestor: false, pressurePsi: 25, pressureText: '25 psi' }];
    const read = (text: string, value?: number): [EntryKind, unknown] => [
      'sheet-read',
      { figure: 'min-flow-psi', of: 'pressure', text, ...(value === undefined ? {} : { value }) },
    ];
    assert.deepEqual(verdicts('refrigerator', recorded(psi)).pressure, 'watch');
    assert.deepEqual(verdicts('refrigerator', recorded(psi, read('35 psi', 35))).pressure, 'act');
    assert.deepEqual(verdicts('refrigerator', recorded(psi, read('35 psi', 35), read(''))).pressure, 'watch');
    assert.deepEqual(kindOf('sheet-read')!.agreed!({ figure: 'rough-in', of: 'length', text: '10', value: 12 } as never, {} as never), {
      figure: 'rough-in',
      of: 'length',
      text: '10',
      value: 10,
    });
  });

  it('renews a pair together', () => {
    const state = runState(context('basin-faucet'), recorded(['line-seen', { line: 'braided', ageYears: 1, seen: [] }]));
    assert.equal(judgeRun(context('basin-faucet'), state, RULES).needs.line, false);
    assert.equal(judgeRun(context('basin-faucet'), state, RULES, 'Basin, hot').needs.line, true);
  });
});
