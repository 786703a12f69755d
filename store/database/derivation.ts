import { catalogue } from '../../catalog/index.ts';

/** Rises when what is derived changes its meaning; a new catalogue derives anew by itself. */
const DERIVATION = 6;

/** By which program and catalogue tables are derived. */
export const derivationVersion = (): string => `${DERIVATION} ${catalogue().version}`;
