/** What a section is drawn of, on a sheet whose scale is given. */
import type { LineBranch, LineSection, SectionMaterial } from '../../../core/index.ts';
import { fillOf } from './hatch.tsx';

/** How inches come to lie on the sheet. */
export interface Frame {
  section: LineSection;
  axis: number;
  scale: number;
  x: (inches: number) => number;
}

/** One outline, filled by what it is made of. */
function Outline({ points, material, id }: { points: string; material: SectionMaterial; id: string }) {
  return <polygon points={points} fill={fillOf(material, id)} stroke="#1d2427" strokeWidth="1.2" strokeLinejoin="round" />;
}

const tintOf = (water: 'cold' | 'hot') => (water === 'hot' ? 'fill-hot' : 'fill-cold');

export function Water({ section, water, axis, scale, x }: Frame & { water: 'cold' | 'hot' }) {
  return (
    <g opacity="0.2" className={tintOf(water)}>
      {section.water.map((w, i) => (
        <rect key={i} x={x(w.x0)} y={axis - w.radius * scale} width={(w.x1 - w.x0) * scale} height={2 * w.radius * scale} />
      ))}
    </g>
  );
}

/** Every outline and its mirror image below the axis. */
export function Pieces({ section, axis, scale, x, id }: Frame & { id: string }) {
  const across = (points: [number, number][], up: 1 | -1) =>
    points.map(([px, py]) => `${x(px).toFixed(1)},${(axis - up * py * scale).toFixed(1)}`).join(' ');
  return ([1, -1] as const).flatMap((up) =>
    section.pieces.map((p, i) => <Outline key={`${up}${i}`} points={across(p.points, up)} material={p.material} id={id} />),
  );
}

/** What stands on a part: its bore opened through the wall, water as far as it comes, both halves. */
export function Standing({ branch: b, axis, scale, x, id, water }: Frame & { branch: LineBranch; id: string; water: 'cold' | 'hot' }) {
  const y = (inches: number) => axis - inches * scale;
  const [left, right] = [x(b.cut.x0), x(b.cut.x1)];
  return (
    <g>
      <rect x={left} y={y(b.cut.y1) - 1} width={right - left} height={(b.cut.y1 - b.cut.y0) * scale + 1} className="fill-sheet" />
      <rect x={left} y={y(b.waterTop)} width={right - left} height={(b.waterTop - b.cut.y0) * scale} opacity="0.2" className={tintOf(water)} />
      {[left, right].map((at) => (
        <line key={at} x1={at} x2={at} y1={y(b.cut.y0)} y2={y(b.cut.y1)} stroke="#1d2427" strokeWidth="1.2" />
      ))}
      {b.pieces.map((p, i) => (
        <Outline key={i} points={p.points.map(([px, py]) => `${x(px).toFixed(1)},${y(py).toFixed(1)}`).join(' ')} material={p.material} id={id} />
      ))}
    </g>
  );
}

export function Breaks({ section, axis, scale, x }: Frame) {
  return section.breaks.map((b, i) => {
    const r = b.radius * scale;
    const path = (dx: number) => `M${x(b.x) + dx} ${axis - r} q 9 ${r * 0.55} 0 ${r} t 0 ${r}`;
    return (
      <g key={i}>
        <path d={`${path(-5)} L ${x(b.x) + 5} ${axis + r} q -9 ${-r * 0.55} 0 ${-r} t 0 ${-r} Z`} className="fill-sheet" />
        <path d={path(-6)} fill="none" strokeWidth="1.2" className="stroke-ink" />
        <path d={path(6)} fill="none" strokeWidth="1.2" className="stroke-ink" />
      </g>
    );
  });
}
