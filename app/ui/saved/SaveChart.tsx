import type { Chart } from 'chart.js';
import type { RefObject } from 'react';
import { ink } from './chart-ink.ts';

/** The chart on the sheet's ground: by itself it is ink on nothing, and light ink is lost on a white page. */
function saveChart(canvas: HTMLCanvasElement, name: string): void {
  const { width, height } = canvas;
  const sheet = Object.assign(document.createElement('canvas'), { width, height });
  const pen = sheet.getContext('2d')!;
  pen.fillStyle = ink('--color-paper');
  pen.fillRect(0, 0, width, height);
  pen.drawImage(canvas, 0, 0);
  Object.assign(document.createElement('a'), { href: sheet.toDataURL('image/png'), download: name }).click();
}

// biome-ignore lint/suspicious/noExplicitAny: of whatever kind the chart is
export function SaveChart({ chart, name }: { chart: RefObject<Chart<any, any> | null>; name: string }) {
  return (
    <button
      type="button"
      className="key justify-self-start print:hidden"
      onClick={() => {
        if (chart.current) saveChart(chart.current.canvas, name);
      }}
    >
      Save the chart (PNG)
    </button>
  );
}
