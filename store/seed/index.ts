export { ensureDemo } from './demo.ts';
export { APPLIANCES, type DemoAppliance, type DemoRun } from './observatory.ts';
export { type Chance, chance, uuidAt } from './random.ts';
export { walkEntries } from './walk.ts';
export { demoWater } from './water.ts';
