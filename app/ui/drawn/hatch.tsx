import type { SectionMaterial } from '../../../core/index.ts';

/** Fill of a material; `id` tells the drawings on one sheet apart, for a hatch in a hidden drawing is not painted elsewhere. */
export const fillOf = (material: SectionMaterial, id: string): string =>
  material === 'rubber' ? 'var(--color-rubber)' : material === 'tube' ? '#f4f1e6' : material === 'steel' ? '#d5d0c4' : `url(#${id}-${material})`;

/** Hatches tell materials: brass at 45 degrees, plastic dotted, braid crossed, copper at 45 the other way, rubber solid. */
export function Hatches({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={`${id}-brass`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="6" height="6" fill="#f3e3bd" />
        <line x1="0" y1="0" x2="0" y2="6" stroke="#c9973b" strokeWidth="1.4" />
      </pattern>
      <pattern id={`${id}-copper`} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <rect width="5" height="5" fill="#f0dcc8" />
        <line x1="0" y1="0" x2="0" y2="5" stroke="#9a6a3c" strokeWidth="1.2" />
      </pattern>
      <pattern id={`${id}-plastic`} width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" fill="#eef0e4" />
        <circle cx="3" cy="3" r="0.9" fill="#5c635f" />
      </pattern>
      <pattern id={`${id}-braid`} width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" fill="#f1eee6" />
        <path d="M0 0 6 6M6 0 0 6" stroke="#5c635f" strokeWidth="0.8" />
      </pattern>
    </defs>
  );
}
