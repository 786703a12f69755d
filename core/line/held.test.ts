/** Lines as they are drawn, over chains of the shipped catalogue. */
import { catalogue } from '../../catalog/index.ts';
import { allEndCodes } from '../ends/code.ts';
import { matchChains } from '../match/chains.ts';
import { indexParts } from '../match/search/catalogue-index.ts';
import { throughEnds } from '../match/told/sides.ts';
import { held } from '../testing.ts';
import { openSection } from './open.ts';
import { type LinePart, lineSection } from './section.ts';

const { parts, loose } = catalogue();
const index = indexParts(parts);
const WAYS: [from: string, to: string, rejoin?: string][] = [
  ['comp-3/8-m', 'bc-7/8-m'], ['npt-1/2-m', 'comp-3/8-f'], ['cu-5/8od', 'comp-1/4-m', 'cu-5/8od'], ['comp-3/8-m', 'comp-1/4-m', 'comp-3/8-f'],
  ['ght-3/4-m', 'ght-3/4-f'], ['bc-7/8-f', 'comp-3/8-m', 'bc-7/8-m'], ['pex-5/8od', 'npsm-1/2-m'], ['cu-1/2od', 'cu-3/8od'],
]; // biome-ignore format: a table
const NEEDS = [{}, { stop: true, leaveOutlet: true }, { arrestor: true, minLengthIn: 30 }];

held(import.meta.url, [
  ...WAYS.flatMap(([from, to, rejoin]) =>
    NEEDS.map(
      (need, i) =>
        [
          `${from} to ${to}, ${i}`,
          () => {
            const [chain] = matchChains({
              from,
              to,
              ...(rejoin ? { rejoin } : {}),
              parts: index,
              loose,
              k: 1,
              need: { water: 'cold', ...need },
            }).chains;
            if (!chain) return 'nothing joins them';
            const row = throughEnds(chain).map((end, at): LinePart => {
              const part = parts.find((p) => p.id === end.part)!;
              const branches = chain.branches
                .filter((b) => b.part === part.id)
                .map((b) => ({
                  code: b.code,
                  use: b.use,
                  mate: b.use === 'rejoin' ? (rejoin ?? null) : null,
                  joint: b.use === 'rejoin' ? chain.joints.length : null,
                }));
              return {
                ...end,
                line: part.flexible ? 'braided' : part.cutToLength ? 'tube' : null,
                lengthIn: chain.path[at]!.cutLengthIn ?? part.lengthIn ?? 1,
                ...(branches.length > 0 ? { branches } : {}),
              };
            });
            const { pieces, ...rest } = lineSection(from, row, to);
            return [
              rest,
              pieces.length,
              pieces.map((p) => [p.material, p.part, p.points.length, p.points.reduce((sum, [x, y]) => sum + x * 3 + y, 0)]),
            ];
          },
        ] as const,
    ),
  ),
  ...allEndCodes
    .filter((_, i) => i % 12 === 0)
    .map(
      (code, i, all) =>
        [
          `open at ${code}`,
          () => {
            const { pieces, ...rest } = openSection(code, i % 3 === 0 ? null : all[(i + 5) % all.length]!);
            return [rest, pieces.length, openSection(null, code).x0];
          },
        ] as const,
    ),
]);
