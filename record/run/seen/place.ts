/** What the place asks of the chain, as it stands. */
import type { Bodies } from '../../kinds.ts';
import { type History, type Together, togetherOf } from '../history.ts';
import { placeSeen } from '../kinds/place-seen.ts';

export type Place = Together<Bodies['place-seen']> & { hidden: boolean; ownStop: boolean; arrestor: boolean };

/** Where nobody said anything: in sight, and nothing asked for. */
export const placeOf = (history: History): Place => ({ hidden: false, ownStop: false, arrestor: false, ...togetherOf(history, placeSeen) });
