/** All that is told of a line to an appliance: what comes, how long things take, what would help; each figure with its equation. */
import { lineCups, rinseOf } from '../make/index.ts';
import { type Reason, reason } from '../reason.ts';
import { cup, flow, said, volume } from '../units/index.ts';
import { fillSeconds, type HotWait, heldGal, hotWait } from './held-water.ts';
import type { LinePiece, LossRow } from './line-pieces.ts';
import type { FlowLine, OperatingPoint } from './operating-point.ts';
import { type Help, whatHelps } from './what-helps.ts';

/** A figure with how it comes about. */
export interface Told<T> {
  value: T;
  because: Reason[];
}

export interface LineAnswer {
  now: OperatingPoint;
  helps: Help[];
  /** Seconds for its usual volume; null where it has none, or nothing flows. */
  fill: Told<number> | null;
  /** What is run through first; null where nothing flows. */
  rinse: Told<{ cups: number; seconds: number }> | null;
  /** Until hot water comes; null where the line is cold or nothing flows. */
  hot: Told<HotWait> | null;
  held: Told<number>;
}

/** A house's air, F. Typical. */
const ROOM_F = 68;

/**
 * @param line   all but its pieces
 * @param pieces in the order of the water, without the losses of changing bores
 * @param own    of them the appliance's own line begins at this one: it alone is rinsed
 * @param more   volume of a filling, gal (0: none); the least that is rinsed, cups; whether it carries hot water
 */
export function lineAnswer(
  line: Omit<FlowLine, 'pieces'>,
  pieces: readonly LinePiece[],
  losses: readonly LossRow[],
  own: number,
  more: { volumeGal: number; leastCups: number; isHot: boolean },
): LineAnswer {
  const { now, helps } = whatHelps(line, pieces, losses);
  const ownLine = pieces.slice(own);
  const gal = heldGal(pieces);
  const held = {
    value: gal,
    because: [reason('held', said`Bore by bore and length by length, over ${pieces.length} pieces: ${volume(gal)}.`, { source: 'pi / 4 d squared' })],
  };
  if (now.gpm <= 0) return { now, helps, fill: null, rinse: null, hot: null, held };
  const fillS = more.volumeGal > 0 ? fillSeconds(more.volumeGal, now.gpm) : null;
  const rinse = rinseOf(ownLine, more.leastCups, now.gpm);
  const wait = more.isHot && line.tempF > ROOM_F ? hotWait(pieces, now.gpm, line.tempF, ROOM_F) : null;
  return {
    now,
    helps,
    held,
    fill: fillS === null ? null : { value: fillS, because: [reason('fill', said`${volume(more.volumeGal)} / ${flow(now.gpm)} x 60 = ${Math.round(fillS)} s.`, { source: 'its usual volume, by the catalogue' })] }, // biome-ignore format: one row
    rinse: { value: rinse, because: [reason('rinse', said`Three times the ${cup(lineCups(ownLine))} of the line, ${cup(more.leastCups)} at least: ${cup(rinse.cups)} at ${flow(now.gpm)}.`, { source: 'trade practice' })] }, // biome-ignore format: one row
    hot: wait === null ? null : { value: wait, because: [reason('hot-wait', said`${volume(wait.volumeGal)} stand in the line; its walls take up what ${volume(wait.wastedGal - wait.volumeGal)} more hold: ${volume(wait.wastedGal)} / ${flow(now.gpm)}. Left behind after each draw: ${Math.round(wait.lostBtu)} Btu.`, { source: 'heat balance of water and wall; mixing left out' })] }, // biome-ignore format: one row
  };
}
