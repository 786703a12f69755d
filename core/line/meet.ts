/** How two ends lie when they are joined. */
import {
  type End,
  endProfile,
  engagedIn,
  FERRULE_DEPTH_IN,
  nutOutline,
  type Piece,
  type Point,
  type ThreadEnd,
  type TubeEnd,
} from '../ends/index.ts';

/** How far the second end's opening lies before the first one's, toward the water side. */
export function overlap(a: End, b: End): number {
  const male = [a, b].find((e): e is ThreadEnd => e.kind === 'thread' && e.gender === 'm');
  const female = [a, b].find((e): e is ThreadEnd => e.kind === 'thread' && e.gender === 'f');
  if (male && female) return Math.min(engagedIn(female), engagedIn(male));
  const tube = [a, b].find((e): e is TubeEnd => e.kind === 'tube');
  const socket = [a, b].find((e) => e.kind === 'socket');
  if (tube && male) return FERRULE_DEPTH_IN;
  if (tube && socket) return socket.family === 'crimp' || socket.family === 'expand' ? 0.5 : endProfile(socket).depthIn;
  return socket?.family === 'nose' ? 0.1 : 0;
}

/** The loose nut, ferrule or ring that holds a tube, seen from the mouth it goes into: x > 0 is where the tube comes from. */
export function heldBy(a: End, b: End): Piece[] {
  const tube = [a, b].find((e): e is TubeEnd => e.kind === 'tube');
  if (!tube) return [];
  const out: Piece[] = [];
  const r = tube.tube.odIn / 2;
  const male = [a, b].find((e): e is ThreadEnd => e.kind === 'thread');
  if (male?.family === 'comp') {
    const nut = nutOutline({ ...male, gender: 'f', material: 'metal' }, -(engagedIn(male) + 0.2), r + 0.008);
    out.push({ points: nut.map(([x, y]): Point => [-x - engagedIn(male), y]), material: 'brass' });
    const ferrule: Point[] = [
      [-0.07, r + 0.002],
      [-0.02, r + 0.035],
      [0.05, r + 0.055],
      [0.1, r + 0.002],
    ];
    out.push({ points: ferrule, material: tube.tube.material === 'copper' ? 'brass' : 'plastic' });
  }
  if ([a, b].some((e) => e.kind === 'socket' && (e.family === 'crimp' || e.family === 'expand'))) {
    const ring: Point[] = [
      [-0.4, r],
      [-0.4, r + 0.04],
      [-0.12, r + 0.04],
      [-0.12, r],
    ];
    out.push({ points: ring, material: 'copper' });
  }
  return out;
}
