/** Colours and letters of the sheet, for what is drawn on a canvas. */
import { Chart } from 'chart.js';

export const ink = (name: string): string =>
  typeof document === 'undefined' ? '#000' : getComputedStyle(document.documentElement).getPropertyValue(name).trim() || '#000';

/** The sheet's face and colour in every chart. */
export function chartInk(colour = '--color-ink'): void {
  if (typeof document === 'undefined') return;
  Chart.defaults.font.family = getComputedStyle(document.body).fontFamily;
  Chart.defaults.font.size = 14;
  Chart.defaults.color = ink(colour);
}
