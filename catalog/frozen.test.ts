/** A work card that was accepted stays as it was, whatever rows the catalogue gets. */
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, it } from 'node:test';
import type { Appliance } from '../core/index.ts';
import { cardVersionOf } from '../core/make/work-card.ts';
import type { WorkKind } from '../core/make/work-kinds.ts';
import { catalogue } from './index.ts';
import { stepTemplate } from './steps.ts';
import { unknownAppliances } from './work-kinds.ts';

/** Rows of the fifth card, as they were when the list was frozen. */
const FROZEN: Record<string, number> = JSON.parse(readFileSync(join('catalog', 'fixtures', 'card-5.json'), 'utf8'));
const NEWEST = 5;

describe('an accepted card', () => {
  const { steps } = catalogue();
  const keyOf = (id: string) => (id.includes(' until ') ? id.slice(0, id.indexOf(' until ')) : id);

  it('has every row that it had', () => {
    const now = new Map(steps.map((s) => [`${s.id} ${s.since}`, s]));
    for (const [key, since] of Object.entries(FROZEN)) {
      const row = now.get(`${keyOf(key)} ${since}`);
      assert.ok(row, `${key} is gone: give it "until": ${NEWEST} in place of taking it out`);
      if (!key.includes(' until ')) assert.ok((row.until ?? NEWEST) >= NEWEST, `${key} ends before the card that has it`);
    }
  });
  it('gets no row that it had not: a new one says since which later card it stands', () => {
    const frozen = new Set(Object.entries(FROZEN).map(([key, since]) => `${keyOf(key)} ${since}`));
    for (const s of steps) {
      if (frozen.has(`${s.id} ${s.since}`)) continue;
      assert.ok((s.since ?? 0) > NEWEST, `${s.id} is new: say "since": ${cardVersionOf(steps) + 1}, not ${s.since}`);
    }
  });
  it('is asked of every row: one without is not read', () => {
    const { since: _, ...without } = steps[0]!;
    assert.equal(stepTemplate.safeParse({ ...without, acts: [] }).success, false);
  });
});

describe('kinds of work', () => {
  const { workKinds, appliances } = catalogue();
  it('name appliances that there are', () => assert.deepEqual(unknownAppliances(workKinds, appliances), []));
  it('are refused where they name one that there is not', () => {
    const kind = { ...workKinds[0]!, id: 'toilet-line', appliances: ['toilet', 'samovar'] } as WorkKind;
    assert.deepEqual(unknownAppliances([kind], [{ id: 'toilet' } as Appliance]), ['toilet-line: samovar']);
  });
});
