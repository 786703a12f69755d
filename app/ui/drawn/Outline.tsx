import { endLabel, parseEnd, silhouette } from '../../../core/index.ts';

/** An end's silhouette, both halves; `scale` in pixels for an inch. */
export function Outline({ code, scale }: { code: string; scale: number }) {
  const { points } = silhouette(code);
  const x0 = Math.min(...points.map(([x]) => x));
  const r = Math.max(...points.map(([, y]) => y));
  const [width, height] = [-x0 * scale + 4, 2 * r * scale + 4];
  const path = (up: 1 | -1) =>
    points.map(([x, y]) => `${((x - x0) * scale + 2).toFixed(2)},${(r * scale + 2 - up * y * scale).toFixed(2)}`).join(' ');
  const plastic = (parseEnd(code) as { material?: string }).material === 'plastic';
  return (
    <svg
      width={width.toFixed(2)}
      height={height.toFixed(2)}
      viewBox={`0 0 ${width.toFixed(2)} ${height.toFixed(2)}`}
      role="img"
      aria-label={`Outline of ${endLabel(code)}`}
      data-code={code}
    >
      {([1, -1] as const).map((up) => (
        <polygon key={up} points={path(up)} className="stroke-ink" fill={plastic ? '#eef0e4' : '#f3e3bd'} strokeWidth="1.2" strokeLinejoin="round" />
      ))}
    </svg>
  );
}
