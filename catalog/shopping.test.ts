import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { matchChains, shoppingList } from '../core/index.ts';
import { catalogue } from './index.ts';

describe('a shopping list', () => {
  const { parts, loose, appliances } = catalogue();
  const chains = appliances.flatMap((a) =>
    a.usualInletEnds.flatMap((to) =>
      ['comp-3/8-m', 'cu-5/8od', 'pex-5/8od'].flatMap((from) => {
        const need = { water: a.water[0] ?? ('cold' as const), minLengthIn: 30 };
        return matchChains({ from, to, parts, loose, need, stock: {}, k: 3 }).chains;
      }),
    ),
  );

  it('adds up to the price of its chain, pieces cut to length among them', () => {
    assert.ok(chains.some((c) => c.path.some((step) => step.cutLengthIn !== undefined)));
    for (const chain of chains) {
      const total = shoppingList(chain, parts, loose).reduce((sum, line) => sum + line.count * line.eachCents, 0);
      assert.equal(total, chain.priceCents, chain.parts.join(' '));
    }
  });

  it('is to be bought as far as the van lacks it', () => {
    for (const chain of chains) {
      const lacking = shoppingList(chain, parts, loose, {}).filter((line) => line.toBuy > 0);
      assert.deepEqual(
        lacking.map((line) => line.item),
        chain.offVan,
      );
      assert.ok(shoppingList(chain, parts, loose).every((line) => line.toBuy === 0));
    }
    const chain = chains.find((c) => Object.values(c.loose).some((n) => n > 1))!;
    const [code, count] = Object.entries(chain.loose).find(([, n]) => n > 1)!;
    assert.equal(shoppingList(chain, parts, loose, { [code]: 1 }).find((line) => line.item === code)?.toBuy, count - 1);
  });

  it('names every line, and says how long a piece is cut', () => {
    for (const chain of chains) {
      const lines = shoppingList(chain, parts, loose);
      assert.equal(lines.length, chain.parts.length + Object.keys(chain.loose).length);
      for (const line of lines) assert.ok(line.name.length > 3 && line.count >= 1);
      for (const step of chain.path) if (step.cutLengthIn) assert.ok(lines.some((l) => l.cutLengthIn === step.cutLengthIn));
    }
  });
});
