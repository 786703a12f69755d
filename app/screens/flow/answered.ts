import { type FlowLine, InputError, LEAST_CUPS, type LineAnswer, type LinePiece, type LossRow, lineAnswer, withSteps } from '../../../core/index.ts';
import type { ReadSetting } from './setting.ts';

interface Found {
  pieces: LinePiece[];
  answer: LineAnswer;
  line: FlowLine;
}

/** What the line gives; or what the core says against what was asked, in words. */
export function answered(read: ReadSetting | null, losses: readonly LossRow[], isHot: boolean): { found: Found | null; wrong: string } {
  if (!read) return { found: null, wrong: '' };
  try {
    const pieces = withSteps(read.pieces);
    const more = { volumeGal: read.appliance.typicalVolumeGal, leastCups: LEAST_CUPS, isHot };
    return {
      found: { pieces, answer: lineAnswer(read.line, read.pieces, losses, read.housePieces, more), line: { ...read.line, pieces } },
      wrong: '',
    };
  } catch (fault) {
    if (fault instanceof InputError) return { found: null, wrong: fault.message };
    throw fault;
  }
}
