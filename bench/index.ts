/** `npm run bench`: ratios in one run where there is a baseline, and what is asked of the figures. `npm run bench -- NAME` runs a part alone. */
import { demoChains, generated, make, reach, shut, small } from './computed.ts';
import { crowd } from './crowd.ts';
import { flowTime, hammerLoop, sweepTime } from './hammer.ts';
import { withHouse } from './house.ts';
import { imports } from './imports.ts';
import { api, asking, cardOnPage, pages, pressing, recorded, typing } from './pages.ts';
import { sweepOnPage } from './sweep-page.ts';
import { gauge, manyYears, shopOfYears } from './years.ts';

const PARTS: Record<string, () => Promise<void>> = {
  // First, so that the index is built as in a process just begun.
  match: async () => {
    generated();
    demoChains();
    small();
  },
  reach: async () => reach(),
  shut: async () => shut(),
  hammer: async () => {
    flowTime();
    hammerLoop();
    sweepTime();
    await withHouse(sweepOnPage);
  },
  make: async () => {
    make();
    await withHouse(cardOnPage);
  },
  pages: () =>
    withHouse(async (address) => {
      await pages(address);
      await typing(address);
    }),
  asking: () => withHouse(asking),
  presses: () => withHouse(pressing),
  record: () => withHouse(recorded),
  api: () => withHouse(api),
  imports: () => withHouse(imports),
  crowd: () => withHouse(crowd),
  gauge,
  shop: () => withHouse(shopOfYears),
  ledger: () => withHouse(manyYears),
};

const only = process.argv[2];
if (only !== undefined && !(only in PARTS)) {
  console.error(`There is no part "${only}": ${Object.keys(PARTS).join(', ')}.`);
  process.exit(2);
}
for (const [name, part] of Object.entries(PARTS)) if (only === undefined || only === name) await part();
process.exit(0);
