import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { cardMarkdown } from './card-text.ts';
import type { WorkStep } from './work-card.ts';

const step = (more: Partial<WorkStep>): WorkStep => ({
  id: 's',
  stage: 'make',
  title: 'a step',
  detail: 'how',
  acts: [],
  cautions: [],
  because: [],
  ...more,
});

describe('a card as text', () => {
  const head = { run: 'Toilet *1*', work: 'new line', premises: 'The Lodge', joints: ['J1: stop outlet and connector'] };
  const card = [
    step({ id: 'dead', stage: 'shut', title: 'Prove it dead', gate: 'Has it stopped?', cautions: ['Scald: hot.'] }),
    step({ id: 'j1', title: 'J1', tools: [{ tool: 'wrench', size: '5/8 in', for: 'J1' }] }),
  ];

  it('lists its steps as tasks, ticked where they are done, with cautions and questions', () => {
    const text = cardMarkdown(head, card, { dead: true });
    assert.match(
      text,
      /- \[x\] \*\*1\. Prove it dead\*\* how\n {2}- \*\*Caution:\*\* Scald: hot\.\n {2}- \*\*Must be answered:\*\* Has it stopped\?/,
    );
    assert.match(text, /- \[ \] \*\*2\. J1\*\* how/);
    assert.match(text, /## Tools\n\n- wrench \(5\/8 in\)/);
  });

  it('says its figures in what it is asked for', () => {
    const text = cardMarkdown(head, [step({ detail: 'Cut 60 in.', cautions: ['Over 120 F.'], gate: 'Under 2 psi?' })], {}, 'metric');
    for (const words of ['Cut 1524 mm.', 'Over 49 C.', 'Under 0.1 bar?']) assert.ok(text.includes(words), words);
  });

  it('lets no name be read as a mark', () => assert.match(cardMarkdown(head, card), /^# Toilet \\\*1\\\*: new line\n/));
});
