/** The appliances water is connected to, checked on reading. */
import { z } from 'zod';
import type { Appliance } from '../core/index.ts';
import { tubeById } from '../core/index.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';

const figure = z
  .string()
  .regex(/^\d+(\.\d+)?$/, 'wants a number')
  .transform(Number);
const yes = z.enum(['yes', 'no']).transform((t) => t === 'yes');

const wordList = z.string().transform((t) => t.split(' ').filter(Boolean));

/** "hot+cold", "cold or hot+cold": every water it may take, and whether both always come to it. */
const waters = z
  .string()
  .transform((t) => ({ waters: (['cold', 'hot'] as const).filter((w) => t.includes(w)), both: t === 'hot+cold' }))
  .refine((w) => w.waters.length > 0, 'names no water');

export const applianceRow = z
  .object({
    id: z.string().min(1),
    appliance: z.string().min(1),
    water: waters,
    usual_inlet_ends: z.string(),
    plastic_inlet: yes,
    design_flow_gpm: figure,
    cap_gpm: z.union([z.literal('').transform(() => null), figure]),
    min_flow_pressure_psi: figure,
    max_static_psi: figure,
    fast_closing_valve: z
      .enum(['yes', 'no', 'single-lever: yes', 'quarter-turn: yes'])
      .transform((t) => (t === 'yes' || t === 'no' ? t : (t.replace(': yes', '').replace('-', ' ') as 'single lever' | 'quarter turn'))),
    closes_ms: figure,
    typical_volume_gal: figure,
    usual_stop: z.string().min(1),
    usual_line: z.string().refine((id) => tubeById(id) !== undefined, 'is no tube'),
    usual_line_in: figure,
    moves: yes,
    powered: yes,
    mixes: yes,
    aerator: yes,
    makes_ice: yes,
    min_bore_in: figure,
    usual_needs: wordList.pipe(z.array(z.enum(['stop', 'arrestor', 'check', 'stop-leak']))),
    avoid: wordList,
    protection: z.string(),
    note: z.string(),
  })
  .transform(
    (r): Appliance => ({
      id: r.id,
      name: r.appliance,
      water: r.water.waters,
      fedBoth: r.water.both,
      usualInletEnds: r.usual_inlet_ends.split(' | '),
      plasticInlet: r.plastic_inlet,
      designGpm: r.design_flow_gpm,
      capGpm: r.cap_gpm,
      minFlowPsi: r.min_flow_pressure_psi,
      maxStaticPsi: r.max_static_psi,
      fastClosing: r.fast_closing_valve,
      closesMs: r.closes_ms,
      typicalVolumeGal: r.typical_volume_gal,
      usualLine: { stop: r.usual_stop, tube: r.usual_line, lengthIn: r.usual_line_in },
      moves: r.moves,
      powered: r.powered,
      mixes: r.mixes,
      hasAerator: r.aerator,
      makesIce: r.makes_ice,
      minBoreIn: r.min_bore_in,
      usualNeeds: r.usual_needs,
      avoid: r.avoid,
      protection: r.protection,
      note: r.note,
    }),
  );

export const readAppliances = (): Appliance[] => readCsv('appliances.csv', dataFile('appliances.csv'), applianceRow);
