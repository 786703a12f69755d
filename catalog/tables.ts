/** The trade's tables (threads, tubes, seals) as they stand in `data/`, checked on reading. */
import { z } from 'zod';
import type { NutFlats, Seal, Thread, Tube, TubeJoint } from '../core/index.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';

const figure = z
  .string()
  .min(1)
  .refine((t) => Number.isFinite(Number(t)), 'wants a number')
  .transform(Number);
const maybeFigure = z
  .string()
  .refine((t) => Number.isFinite(Number(t)), 'wants a number or nothing')
  .transform((t) => (t === '' ? null : Number(t)));
const word = z.string().min(1);

/** Turns are exact 24ths; the file writes 1/6 as 0.16667. */
const turns = maybeFigure.transform((t) => (t === null ? null : Math.round(t * 24) / 24));

export const threadRow = z
  .object({
    id: word,
    family: word,
    size: word,
    external_major_in: figure,
    external_crest_min_in: figure,
    threads_per_in: figure,
    included_angle_deg: figure,
    taper: z.enum(['no', '1:16']),
    internal_crest_in: figure,
    prior_weight: figure,
    source: word,
    typical_use: z.string(),
  })
  .transform(
    (r): Thread => ({
      id: r.id,
      family: r.id.slice(0, r.id.indexOf('-')) as Thread['family'],
      familyName: r.family,
      sizeName: r.size,
      externalMajorIn: r.external_major_in,
      externalCrestMinIn: r.external_crest_min_in,
      threadsPerIn: r.threads_per_in,
      includedAngleDeg: r.included_angle_deg,
      tapered: r.taper !== 'no',
      internalCrestIn: r.internal_crest_in,
      priorWeight: r.prior_weight,
      source: r.source,
      typicalUse: r.typical_use,
    }),
  );

export const tubeRow = z
  .object({
    id: word,
    trade_name: word,
    nominal_in: z.string(),
    od_in: figure,
    id_in: figure,
    material: word,
    roughness_mm: figure,
    youngs_modulus_gpa: figure,
    min_bend_radius_in: maybeFigure,
    rated_psi_73f: maybeFigure,
    rated_psi_at_max: maybeFigure,
    max_temp_f: figure,
    source: word,
  })
  .transform(
    (r): Tube => ({
      id: r.id,
      tradeName: r.trade_name,
      nominalIn: r.nominal_in === '' ? null : r.nominal_in,
      odIn: r.od_in,
      idIn: r.id_in,
      material: r.material as Tube['material'],
      roughnessMm: r.roughness_mm,
      youngsModulusGpa: r.youngs_modulus_gpa,
      minBendRadiusIn: r.min_bend_radius_in,
      ratedPsi73F: r.rated_psi_73f,
      ratedPsiAtMax: r.rated_psi_at_max,
      maxTempF: r.max_temp_f,
      source: r.source,
    }),
  );

export const sealRow = z
  .object({
    id: word,
    name: word,
    short_name: word,
    ends: word,
    sealant: word,
    turns_from: turns,
    turns_to: turns,
    turns_default: turns,
    nudge: turns,
    most: turns,
    callbacks_per_1000: figure,
    hidden_ml: figure,
    may_be_hidden: z.enum(['yes', 'no']).transform((t) => t === 'yes'),
    note: word,
  })
  .transform(
    (r): Seal => ({
      id: r.id as Seal['id'],
      name: r.name,
      shortName: r.short_name,
      sealant: r.sealant.split(' | '),
      turns:
        r.turns_from === null || r.turns_to === null || r.turns_default === null || r.nudge === null || r.most === null
          ? null
          : { from: r.turns_from, to: r.turns_to, default: r.turns_default, nudge: r.nudge, most: r.most },
      callbacksPer1000: r.callbacks_per_1000,
      hiddenMl: r.hidden_ml,
      mayBeHidden: r.may_be_hidden,
      note: r.note,
    }),
  );

/** Free length of tube that each way of joining takes, by outside diameter. */
export const tubeJointRow = z
  .object({ od: word, push_in: maybeFigure, ferrule_in: maybeFigure, solder_in: maybeFigure, ring_in: maybeFigure })
  .transform((r): TubeJoint => ({ od: r.od, pushIn: r.push_in, ferruleIn: r.ferrule_in, solderIn: r.solder_in, ringIn: r.ring_in }));

/** What a nut is held by. */
export const nutFlatsRow = z
  .object({ thread: word, from_in: figure, to_in: figure })
  .transform((r): NutFlats => ({ thread: r.thread, fromIn: r.from_in, toIn: r.to_in }));

export const readThreads = (): Thread[] => readCsv('threads.csv', dataFile('threads.csv'), threadRow);
export const readTubes = (): Tube[] => readCsv('tubes.csv', dataFile('tubes.csv'), tubeRow);
export const readSeals = (): Seal[] => readCsv('seals.csv', dataFile('seals.csv'), sealRow);
export const readTubeJoints = (): TubeJoint[] => readCsv('tube-joints.csv', dataFile('tube-joints.csv'), tubeJointRow);
export const readNutFlats = (): NutFlats[] => readCsv('nut-flats.csv', dataFile('nut-flats.csv'), nutFlatsRow);
