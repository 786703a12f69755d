export { AXIS, chartInk, curveAxes, ink } from './chart-ink.ts';
export { PrintHead } from './PrintHead.tsx';
export { SaveChart } from './SaveChart.tsx';
export { saveDrawing } from './save-drawing.ts';
export { saveFile } from './save-file.ts';
