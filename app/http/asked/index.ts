export { callbackQuery } from './callback-query.ts';
export { dayAsked, daysAsked } from './day-asked.ts';
export { dueQuery } from './due-query.ts';
export { ledgerQuery } from './ledger-query.ts';
export { premisesAsked, premisesQuery } from './premises-asked.ts';
export { visitAsked } from './visit-asked.ts';
