export { ownKeys } from './keyboard.ts';
export { useKeys } from './use-keys.ts';
