/** Colours and letters of the sheet, for what is drawn on a canvas. */
import { Chart } from 'chart.js';
import { KPA_PER_PSI, L_PER_GAL, type Units } from '../../../core/index.ts';

export const ink = (name: string): string =>
  typeof document === 'undefined' ? '#000' : getComputedStyle(document.documentElement).getPropertyValue(name).trim() || '#000';

/** The sheet's face and colour in every chart. */
export function chartInk(colour = '--color-ink'): void {
  if (typeof document === 'undefined') return;
  Chart.defaults.font.family = getComputedStyle(document.body).fontFamily;
  Chart.defaults.font.size = 14;
  Chart.defaults.color = ink(colour);
}

/** What an axis is in: its unit, and how many of it one of the trade's is. */
export const AXIS: Record<'pressure' | 'flow' | 'volume', Record<Units, { unit: string; times: number }>> = {
  pressure: { inch: { unit: 'psi', times: 1 }, metric: { unit: 'bar', times: KPA_PER_PSI / 100 } },
  flow: { inch: { unit: 'gpm', times: 1 }, metric: { unit: 'L/min', times: L_PER_GAL } },
  volume: { inch: { unit: 'gal', times: 1 }, metric: { unit: 'L', times: L_PER_GAL } },
};

interface CurveAxis {
  title: string;
  min?: number;
  max?: number;
}

/** Options of curves on two even axes: no motion, no boxes, the sheet's grid. */
export function curveAxes(x: CurveAxis, y: CurveAxis) {
  const axis = ({ title, ...ends }: CurveAxis) => ({
    type: 'linear' as const,
    ...ends,
    title: { display: true, text: title },
    ticks: { includeBounds: false },
    grid: { color: ink('--color-faint') },
  });
  return { animation: false as const, maintainAspectRatio: false, parsing: false as const, scales: { x: axis(x), y: axis(y) } };
}
