/** What a person types for an end, read into the ends it may be. */
import { type Reason, reason } from '../../reason.ts';
import { remember } from '../../units/index.ts';
import { allEndCodes, type EndCode, isEndCode } from '../code.ts';
import { endLabel, endName } from '../label.ts';
import { usualInlets } from '../tables/inlets.ts';
import { tubeEnds, tubeSize } from '../tables/tubes.ts';
import { notOurs } from './not-ours.ts';
import { readingsOf } from './readings.ts';
import { type Said, takeApart } from './said.ts';
import { type Reading, type Typed, typedOf } from './typed.ts';
import { begunWord } from './vocabulary.ts';

/** Longer than any name of an end. */
const MOST_LETTERS = 120;
/**
 * Reads what a person types for an end: '3/8 comp', '1/2 male iron pipe', 'ice maker hose', '9/16-24', 'M10', or an end code.
 *
 * Ranked, best first, and never settled in silence: no gender offers both, male first; 'fip' the swivel washer nut and then the rigid taper; a
 * fitting's word beats a tube's; tube and what takes it of 3/8 and less go by their outside first, of 1/2 and up by the nominal name.
 *
 * @returns every reading with its reason; [] when nothing fits, and for gas, which is never judged here
 * @source trade usage; trade practice: ends; thread standards: ASME B1.20.1 and B1.20.7, SAE J512, ISO 228-1
 */
export function readEnd(text: string): Reading[] {
  const clean = text.trim().toLowerCase();
  if (clean === '' || clean.length > MOST_LETTERS) return [];
  const exact = exactly(clean);
  if (exact !== undefined) return [{ end: exact, why: isEndCode(clean) ? 'end code' : 'by its name' }];
  const said = heard(clean);
  if (said.phrases.some((p) => p.names === 'lead') || isNeverRead(clean) || isOfNoSize(said)) return [];
  const typed = typedOf(said);
  if (typed === null) return [];
  const found = inletsFirst(known(readingsOf(said, typed), typed), typed.appliance);
  return found.length > 0 ? found : begun(clean);
}

/** 'faucet with 1/2 ips shanks': of what it may be, what such an appliance has. */
function inletsFirst(readings: Reading[], appliance: string | null): Reading[] {
  const own = appliance === null || readings[0]?.appliance ? [] : usualInlets(appliance);
  return own.length === 0 ? readings : [...readings.filter((r) => own.includes(r.end)), ...readings.filter((r) => !own.includes(r.end))];
}

/** Is an appliance spoken of, and not the stop that serves it? */
export function speaksOfAppliance(text: string): boolean {
  const { phrases } = heard(text.trim().toLowerCase());
  return phrases.some((p) => p.appliance) && !phrases.some((p) => p.names === 'stop');
}

/** A figure that is no size, and none that is one: '400 comp'. Metric tube is another tube, whatever stands beside it. */
const isOfNoSize = ({ sizes, unused, millimetres, phrases }: Said): boolean =>
  millimetres !== null ||
  (sizes.length === 0 && !phrases.some((p) => p.appliance) && unused.some((word) => /^\d+(?:[._]\d+)?(?:\/\d+)?$/.test(word)));

/** Not even as where the water comes from. */
const isNeverRead = (clean: string): boolean => !['heater', 'irrigation', undefined].includes(notOurs(clean)?.rule);

let named: ReadonlyMap<string, EndCode> | null = null;

/** An end's own code, name or label: what a field shows can be read again. */
function exactly(clean: string): EndCode | undefined {
  if (isEndCode(clean)) return clean;
  // Every name is longer than this.
  if (clean.length < 12) return undefined;
  named ??= new Map(allEndCodes.flatMap((code) => [endName(code), endLabel(code)].map((name) => [name.toLowerCase(), code] as const)));
  return named.get(clean);
}

/**
 * What of a text was not used, and why; what to beware of in it.
 */
export function readEndNotes(text: string): Reason[] {
  const clean = text.trim().toLowerCase();
  if (clean === '' || clean.length > MOST_LETTERS || exactly(clean) !== undefined) return [];
  const said = heard(clean);
  const out: Reason[] = [];
  const refused = notOurs(clean);
  if (refused) out.push(refused);
  if (said.phrases.some((p) => p.words.startsWith('black'))) {
    out.push(
      reason('black-iron', 'Black iron usually carries gas or heating water: make sure what is in it before anything else.', { source: SOURCE }),
    );
  }
  if (said.phrases.some((p) => p.names === 'lead'))
    out.push(reason('lead', 'Lead pipe: tell the owner, and plan its replacement.', { source: SOURCE }));
  if (said.millimetres !== null) out.push(millimetreNote(said.millimetres));
  if (said.sizes.length > 1 && new Set(said.sizes).size > 1) {
    out.push(reason('two-sizes', `Two sizes, ${said.sizes.join(' and ')}: say one end at a time.`));
  }
  const unused = unusedWords(clean);
  if (unused.length > 0) out.push(reason('unused', `Not used: ${unused.join(', ')}.`));
  return out;
}

/** Sizes that a text names: '3/8', '1/2'. */
export const sizesIn = (text: string): string[] => [...new Set(heard(text.trim().toLowerCase()).sizes)];

/** Words of a text that say nothing of an end. */
export function unusedWords(text: string): string[] {
  const clean = text.trim().toLowerCase();
  return exactly(clean) === undefined ? heard(clean).unused.map((w) => w.replace('_', ' ')) : [];
}

const SOURCE = 'trade practice: ends';

/** Metric tube that is nearly an inch size is another tube. */
function millimetreNote(mm: number): Reason {
  const near = tubeEnds.find((t) => Math.abs(t.odIn * 25.4 - mm) < 1);
  const text = near
    ? `${mm} mm tube is metric and not ours: nearly ${tubeSize(near)} in outside (${(near.odIn * 25.4).toFixed(1)} mm), it fits none of its fittings. Its own maker's adapter comes first.`
    : `${mm} mm: sizes here are in inches.`;
  return reason('near-metric', text, { figures: { mm } });
}

/** Taken apart; the last word may still be typed. */
const heard = (clean: string): Said => remember(takenApart, MOST_TAKEN_APART, clean, () => hearing(clean));

/** The same few words are looked at for their ends, their notes and what is left of them. */
const takenApart = new Map<string, Said>();
const MOST_TAKEN_APART = 100;

function hearing(clean: string): Said {
  const said = takeApart(clean);
  const last = said.unused.at(-1);
  const phrase = last !== undefined && clean.endsWith(last) ? begunWord(last) : undefined;
  return phrase ? { ...said, phrases: [...said.phrases, { ...phrase, isBegun: true }], unused: said.unused.slice(0, -1) } : said;
}
/** End codes that begin with what is typed, for one who types the code itself. */
function begun(clean: string): Reading[] {
  return clean.includes('-') ? allEndCodes.filter((code) => code.startsWith(clean)).map((end) => ({ end, why: 'end code' })) : [];
}

/** Keeps the ends that exist, in order, each once, in the material asked for. */
function known(readings: Reading[], { suffix }: Typed): Reading[] {
  const seen = new Set<string>();
  return readings.flatMap((r) => {
    const end = suffix && isEndCode(r.end + suffix) ? r.end + suffix : r.end;
    if (seen.has(end) || !isEndCode(end)) return [];
    seen.add(end);
    return [{ ...r, end }];
  });
}
