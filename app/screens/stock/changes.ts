/** What can be said of stock, as entries of the book. */
import { type Move, pressReason } from '../../../record/index.ts';
import { type Saying, saying } from '../../ui/book/index.ts';

const of = (placeId: string, change: string, body: Saying['body']): Saying => saying('stock', placeId, change, body);

export const received = (placeId: string, item: string, quantity: number, reason = pressReason('bought')) =>
  of(placeId, 'received', { item, quantity, reason });
export const thrown = (placeId: string, item: string, quantity: number, reason: string) => of(placeId, 'thrown', { item, quantity, reason });
export const moved = ({ fromId, toId, item, quantity }: Move) => of(fromId, 'moved', { item, quantity, toId });
export const minimum = (placeId: string, item: string, quantity: number) => of(placeId, 'minimum-set', { item, quantity });

/** @param expected what lay there by the record */
export const counted = (placeId: string, item: string, quantity: number, expected: number, reason: string) =>
  of(placeId, 'counted', quantity === expected ? { item, quantity } : { item, quantity, expected, reason });
