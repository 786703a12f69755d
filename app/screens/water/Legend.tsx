import type { ReactNode } from 'react';

const LINE = 'M4,14 L44,14';
const BOW = 'M-9,-11 L9,-11 L-9,11 L9,11 Z';

const lines: [className: string, at: number, words: string][] = [
  ['cold', 0, 'cold'],
  ['hot', 96, 'hot'],
  ['cold dry', 184, 'dry'],
];
const valves: [className: string, at: number, words: string, mark: ReactNode][] = [
  ['valve closed', 300, 'close', null],
  ['valve', 384, 'does not shut', <path key="bar" className="bad" d="M-11,6 L11,-6" />],
];

/** What the lines and the signs of the drawing say. */
export function Legend() {
  return (
    <svg width={520} height={28} className="schema max-w-full print:hidden" aria-hidden="true">
      {lines.map(([className, at, words]) => (
        <g key={className} className={className} transform={`translate(${at} 0)`}>
          <path className="pipe" d={LINE} />
          {className.includes('dry') && <path className="inside" d={LINE} />}
          <text x={50} y={19}>
            {words}
          </text>
        </g>
      ))}
      {valves.map(([className, at, words, mark]) => (
        <g key={className} className={className} transform={`translate(${at} 14)`}>
          <path d={BOW} />
          {mark}
          <text x={16} y={5}>
            {words}
          </text>
        </g>
      ))}
    </svg>
  );
}
