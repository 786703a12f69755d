/** Standard lengths of connectors, usual places of stop and inlet by appliance, and the holes a van can make; checked on reading. */
import { z } from 'zod';
import { type HoleSize, type LineKind, type Setting, tubeById, WAYS, type Way } from '../core/index.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';

/** A setting to begin from: what is usual for an appliance. */
export interface ReachPreset extends Setting {
  id: string;
  name: string;
  /** Ids in appliances.csv. */
  appliances: string[];
  line: LineKind & { hose: string; name: string };
  lengthsIn: number[];
  source: string;
}

const figure = z
  .string()
  .regex(/^\d+(\.\d+)?$/, 'wants a number')
  .transform(Number);
const maybeFigure = z.union([z.literal('').transform(() => null), figure]);
const words = z.string().transform((t) => t.split(' ').filter(Boolean));
const faces = z.enum(Object.keys(WAYS) as [Way, ...Way[]]);

const lengthRow = z.object({
  service: z.string().min(1),
  standard_lengths_in: words.transform((t) => t.map(Number)).refine((all) => all.length > 0 && all.every((n) => n > 0), 'wants lengths'),
});

export const readConnectorLengths = (): Record<string, number[]> =>
  Object.fromEntries(readCsv('connector-lengths.csv', dataFile('connector-lengths.csv'), lengthRow).map((r) => [r.service, r.standard_lengths_in]));

const presetRow = (lengths: Record<string, number[]>) =>
  z
    .object({
      id: z.string().regex(/^[a-z-]+$/, 'is no id'),
      name: z.string().min(1),
      appliances: words,
      service: z.string().refine((s) => Object.hasOwn(lengths, s), 'has no lengths in connector-lengths.csv'),
      hose: z.string().refine((h) => tubeById(h)?.minBendRadiusIn != null, 'is no hose of tubes.csv with a bend radius'),
      end_straight_in: figure,
      stop_out_in: figure,
      stop_up_in: figure,
      stop_faces: faces,
      inlet_out_in: figure,
      inlet_up_in: figure,
      inlet_faces: faces,
      side_in: figure,
      pulled_out_in: maybeFigure,
      behind_width_in: maybeFigure,
      behind_height_in: maybeFigure,
      behind_depth_in: maybeFigure,
      source: z.string().min(1),
    })
    .transform((r): ReachPreset => {
      const hose = tubeById(r.hose)!;
      const [widthIn, heightIn, depthIn] = [r.behind_width_in, r.behind_height_in, r.behind_depth_in];
      return {
        id: r.id,
        name: r.name,
        appliances: r.appliances,
        line: { hose: r.hose, name: hose.tradeName, odIn: hose.odIn, minBendRadiusIn: hose.minBendRadiusIn!, endStraightIn: r.end_straight_in },
        lengthsIn: lengths[r.service]!,
        stop: { outIn: r.stop_out_in, upIn: r.stop_up_in, faces: r.stop_faces },
        inlet: { outIn: r.inlet_out_in, upIn: r.inlet_up_in, faces: r.inlet_faces },
        sideIn: r.side_in,
        pulledOutIn: r.pulled_out_in,
        behind: widthIn === null || heightIn === null || depthIn === null ? null : { widthIn, heightIn, depthIn },
        source: r.source,
      };
    });

export const readReachPresets = (): ReachPreset[] => readCsv('reach-presets.csv', dataFile('reach-presets.csv'), presetRow(readConnectorLengths()));

const holeRow = z
  .object({ diameter_in: figure, tool: z.string().min(1), source: z.string().min(1) })
  .transform((r): HoleSize => ({ diameterIn: r.diameter_in, tool: r.tool }));

export const readHoleSizes = (): HoleSize[] => readCsv('hole-sizes.csv', dataFile('hole-sizes.csv'), holeRow);
