/** The question of a transient, from what is asked of a line. */
import { airChamber, type Cushion, InputError, operatingPoint, readFraction, type SurgeQuestion, withSteps } from '../../../core/index.ts';
import { psiOf, type ReadSetting, type Setting, typedFigure } from '../flow/setting.ts';
import { linePipes } from './line-pipes.ts';

export interface HammerAsked {
  question: SurgeQuestion;
  /** What the line gives, gpm: what runs unless it is said. */
  gpm: number;
  names: string[];
  isPlastic: boolean;
}

/** Pictures of the pressure along the line. */
const FRAMES = 150;
/** How long is looked on, s: the closing, then swings enough to see them fade. */
const secondsFor = (closeMs: number, ft: number): number => Math.ceil(Math.min(3, Math.max(0.3, closeMs / 1000 + ft * 0.02)) * 10) / 10;

function millisecondsOf(text: string): number {
  const value = readFraction(text.trim());
  if (value === null) throw new InputError('Closing', text, 'Milliseconds as a number.');
  return value;
}

function cushionOf(s: Setting, staticPsi: number): Cushion | null {
  if (s.cushion === 'none') return null;
  const volumeIn3 = typedFigure('gas', 'Volume', s.volume);
  if (s.cushion === 'chamber') return airChamber(volumeIn3, staticPsi, s.chamber);
  return { volumeIn3, prechargePsi: psiOf('Precharge', s.precharge), ...(s.piston === 'stops' ? { hasStop: true } : {}) };
}

/** @returns what is asked, or what stands against it, in words */
export function hammerAsked(s: Setting, read: ReadSetting): { asked: HammerAsked; wrong: '' } | { asked: null; wrong: string } {
  try {
    const { pipes, names, isPlastic } = linePipes(read.pieces);
    if (pipes.length === 0) throw new InputError('Line', 'no tube', 'Give the house’s pipe or a line: a wave wants a length to run in.');
    const point = operatingPoint({ ...read.line, pieces: withSteps(read.pieces) });
    const gpm = s.gpm.trim() === '' ? point.gpm : typedFigure('flow', 'Flow', s.gpm);
    if (gpm === 0) throw new InputError('Flow', gpm, 'Nothing runs, so that nothing can bang.');
    const staticPsi = point.staticPsi;
    const closeMs = millisecondsOf(s.close);
    const cushion = cushionOf(s, staticPsi);
    const cushionFt = typedFigure('feet', 'Cushion’s place', s.cushionFt || '0');
    const seconds = secondsFor(
      closeMs,
      pipes.reduce((sum, p) => sum + p.lengthFt, 0),
    );
    const question: SurgeQuestion = {
      pipes,
      staticPsi,
      gpm,
      closeMs,
      law: s.law,
      tempF: read.line.tempF,
      seconds,
      frames: FRAMES,
      ...(cushion ? { cushion, cushionFt } : {}),
    };
    return { asked: { question, gpm: point.gpm, names, isPlastic }, wrong: '' };
  } catch (fault) {
    if (fault instanceof InputError) return { asked: null, wrong: fault.message };
    throw fault;
  }
}
