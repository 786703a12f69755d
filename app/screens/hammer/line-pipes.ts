/** A line's lengths of tube as the pipes that a wave runs through: fittings are too short to hold one. */
import { type LinePiece, type SurgePipe, tubeById } from '../../../core/index.ts';

/** Shorter than this a length of tube is a fitting to a wave, ft. */
const SHORTEST_FT = 0.25;

export function linePipes(pieces: readonly LinePiece[]): { pipes: SurgePipe[]; names: string[]; isPlastic: boolean } {
  const lengths = pieces.flatMap((p) => {
    const tube = p.tube ? tubeById(p.tube) : undefined;
    return tube && p.lengthIn / 12 >= SHORTEST_FT ? [{ tube, name: p.name, lengthFt: p.lengthIn / 12 }] : [];
  });
  return {
    pipes: lengths.map(({ tube, lengthFt }) => ({
      boreIn: tube.idIn,
      wallIn: (tube.odIn - tube.idIn) / 2,
      lengthFt,
      modulusGpa: tube.youngsModulusGpa,
      roughnessMm: tube.roughnessMm,
    })),
    names: lengths.map((l) => l.name),
    isPlastic: lengths.some(({ tube }) => !['copper', 'steel'].includes(tube.material)),
  };
}
