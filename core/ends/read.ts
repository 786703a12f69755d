import { allEndCodes, type EndCode, isEndCode } from './code.ts';
import { threads } from './threads.ts';

/** One way to read what a person typed. */
export interface Reading {
  end: EndCode;
  why: string;
}

type Gender = 'm' | 'f';

/** What a trade word names: families in the order they are offered, and the gender it implies. */
interface Word {
  words: string[];
  /** It takes tube, which may be named beside it. */
  fitting?: boolean;
  read: (typed: Typed) => Reading[];
}

interface Typed {
  size: string | null;
  genders: Gender[];
  by: 'od' | 'nominal' | null;
}

const OD_OF_NOMINAL: Record<string, string> = { '1/4': '3/8', '3/8': '1/2', '1/2': '5/8', '3/4': '7/8' };
const APPLIANCE_SIZES = ['1/8', '3/16', '1/4', '5/16', '3/8'];

/** Outside diameters a size may mean, the likelier first, each with its reason. */
function diameters(typed: Typed, first: 'od' | 'nominal'): [string, string][] {
  if (typed.size === null) return [];
  const outside: [string, string] = [typed.size, `${typed.size} in taken as the outside diameter`];
  const od = OD_OF_NOMINAL[typed.size];
  const nominal: [string, string][] = od ? [[od, `${typed.size} in taken as the nominal size: ${od} in outside`]] : [];
  if (typed.by === 'od') return [outside];
  if (typed.by === 'nominal') return nominal;
  return first === 'od' ? [outside, ...nominal] : [...nominal, outside];
}

/** Tube and what takes it: small sizes go by their outside, from 1/2 up by the nominal name. */
const likelier = (typed: Typed) => (typed.size !== null && APPLIANCE_SIZES.includes(typed.size) ? 'od' : 'nominal') as 'od' | 'nominal';

const plain =
  (family: string, first: (typed: Typed) => 'od' | 'nominal' = likelier) =>
  (typed: Typed): Reading[] =>
    diameters(typed, first(typed)).map(([size, why]) => ({ end: `${family}-${size}od`, why }));

const nominalFirst = () => 'nominal' as const;
const odFirst = () => 'od' as const;

/** Thread sizes of a family when none is typed, the most met first. */
function sizesMet(family: string): string[] {
  return threads
    .filter((t) => t.family === family)
    .sort((a, b) => b.priorWeight - a.priorWeight)
    .map((t) => t.id.slice(family.length + 1));
}

const thread =
  (family: string, why: (gender: Gender) => string) =>
  (typed: Typed): Reading[] =>
    (typed.size === null ? sizesMet(family) : [typed.size]).flatMap((size) =>
      typed.genders.map((g) => ({ end: `${family}-${size}-${g}`, why: why(g) })),
    );

const gendered = (gender: Gender, read: Word['read']) => (typed: Typed) => read({ ...typed, genders: [gender] });

function compression(typed: Typed): Reading[] {
  if (typed.size === null) return thread('comp', seatOfComp)(typed);
  return diameters(typed, 'od').flatMap(([size, why]) => typed.genders.map((g) => ({ end: `comp-${size}-${g}`, why: `${seatOfComp(g)}; ${why}` })));
}

/** "Compression" is an unreliable word, so a reading says how it seals. */
const seatOfComp = (g: Gender) => (g === 'm' ? 'body that takes nut and ferrule, or a rubber-seated nut' : 'swivel nut with its own rubber seal');

/** FIP on a connector is a swivel nut with a washer, on a rigid body a taper; MIP is nearly always the taper. */
function pipe(typed: Typed): Reading[] {
  const of: Record<Gender, Reading[]> = {
    m: [
      ...thread('npt', () => 'taper thread')({ ...typed, genders: ['m'] }),
      ...thread('npsm', () => 'straight shank')({ ...typed, genders: ['m'] }),
    ],
    f: [
      ...thread('npsm', () => 'swivel nut with washer, as on a connector')({ ...typed, genders: ['f'] }),
      ...thread('npt', () => 'rigid taper port')({ ...typed, genders: ['f'] }),
    ],
  };
  return typed.genders.flatMap((g) => of[g]);
}

const simple = (family: string, name: string) => thread(family, (g) => `${name}, ${g === 'm' ? 'male' : 'swivel nut or female'}`);

const VOCABULARY: Word[] = [
  { words: ['comp', 'compression'], read: compression },
  { words: ['flare', 'flared'], read: simple('flare', '45 degree flare') },
  { words: ['mip', 'mpt', 'mnpt', 'mips'], read: gendered('m', pipe) },
  { words: ['fip', 'fpt', 'fnpt', 'fips'], read: gendered('f', pipe) },
  { words: ['ips', 'ip', 'pipe'], read: pipe },
  { words: ['npt', 'taper'], read: thread('npt', () => 'taper pipe thread') },
  { words: ['npsm', 'straight', 'faucet'], read: thread('npsm', (g) => (g === 'm' ? 'straight shank' : 'swivel nut with washer')) },
  { words: ['bc', 'ballcock', 'toilet', 'fill'], read: simple('bc', 'ballcock thread') },
  { words: ['ght', 'hose', 'garden', 'ht', 'washer'], read: simple('ght', 'hose thread') },
  { words: ['mht', 'mght'], read: gendered('m', simple('ght', 'hose thread')) },
  { words: ['fht', 'fght'], read: gendered('f', simple('ght', 'hose thread')) },
  { words: ['aer', 'aerator'], read: simple('aer', 'aerator thread') },
  { words: ['g', 'bsp', 'bspp'], read: simple('g', 'parallel pipe thread') },
  { words: ['cu', 'copper'], read: plain('cu') },
  { words: ['pex'], read: plain('pex', nominalFirst) },
  { words: ['cpvc'], read: plain('cpvc', nominalFirst) },
  { words: ['pe', 'poly', 'polyethylene'], read: plain('pe', odFirst) },
  { words: ['pb', 'polybutylene', 'grey', 'gray'], read: plain('pb', nominalFirst) },
  { words: ['steel', 'galvanized', 'galv', 'iron'], read: (t) => (t.size === null ? [] : [{ end: `steel-${t.size}ips`, why: 'iron-pipe size' }]) },
  { fitting: true, words: ['ptc', 'push', 'pushfit', 'push-to-connect', 'push-fit'], read: plain('ptc') },
  { fitting: true, words: ['cup', 'solder', 'sweat', 'soldered'], read: plain('cup') },
  { fitting: true, words: ['crimp', 'clamp', 'barb'], read: plain('crimp', nominalFirst) },
  { fitting: true, words: ['expand', 'expansion', 'f1960'], read: plain('expand', nominalFirst) },
  { words: ['nose', 'riser'], read: plain('nose', odFirst) },
];

const GENDER_WORDS: Record<string, Gender> = { m: 'm', male: 'm', f: 'f', female: 'f', nut: 'f', swivel: 'f' };
const MATERIAL_WORDS: Record<string, string> = { plastic: ':plastic', metal: ':metal', brass: ':metal' };
const IGNORED = new Set(['in', 'inch', '"', 'thread', 'tube', 'x', 'end', 'connect', 'inlet', 'outlet', 'shank', 'valve', 'size', 'the', 'a', 'to']);

/**
 * Reads what a person types for an end: '3/8 comp', '1/2 fip', '7/8 bc', 'ght', '1/2 copper', 'M10x1', or an end code.
 *
 * Ranked, best first, and never settled in silence: no gender offers both, male first; 'fip' the swivel washer nut and then the rigid taper;
 * comp the outside diameter before the nominal size; copper of 3/8 and less the outside diameter first, of 1/2 and up the nominal size.
 *
 * @returns every reading with its reason; [] when nothing fits
 * @source trade usage; field reference, sections 1 and 2
 */
export function readEnd(text: string): Reading[] {
  const clean = text.trim().toLowerCase();
  if (clean === '' || clean.length > 80) return [];
  if (isEndCode(clean)) return [{ end: clean, why: 'end code' }];
  const metric = /^m\s*(\d+(?:\.\d+)?)\s*x\s*(\d+(?:\.\d+)?)\s*(.*)$/.exec(clean);
  if (metric) {
    const rest = tokens(metric[3] ?? '');
    const typed = sortWords(rest);
    return typed.unknown.length ? [] : known(simple('m', 'metric')({ ...typed, size: `${metric[1]}x${metric[2]}` }), typed.suffix);
  }
  const typed = sortWords(tokens(clean.replace(/\b(g)(?=\d)/, 'g ')));
  if (typed.unknown.length > 0 || typed.tooMany) return begun(clean);
  if (typed.named.length === 0) return typed.size === null ? [] : known(anyOfSize(typed), typed.suffix);
  // Of a tube and what takes it, both named ('pex crimp'), the fitting is meant.
  const meant = typed.named.find((w) => w.fitting) ?? typed.named[0]!;
  return known(meant.read(typed), typed.suffix);
}

/** End codes that begin with what is typed, for one who types the code itself. */
function begun(clean: string): Reading[] {
  return clean.includes('-') ? allEndCodes.filter((code) => code.startsWith(clean)).map((end) => ({ end, why: 'end code' })) : [];
}

function tokens(text: string): string[] {
  return text
    .replace(/(\d)(?=[a-z"])/g, '$1 ')
    .replace(/"/g, ' ')
    .split(/[\s,()]+/)
    .filter((t) => t !== '');
}

interface Described extends Typed {
  named: Word[];
  suffix: string;
  unknown: string[];
  tooMany: boolean;
}

/** Sorts the typed words into size, gender, outside or nominal, material and family. */
function sortWords(words: string[]): Described {
  const out: Described = { size: null, genders: ['m', 'f'], by: null, named: [], suffix: '', unknown: [], tooMany: false };
  for (const word of words) {
    const family = VOCABULARY.find((v) => v.words.includes(word)) ?? prefix(word);
    if (/^\d+(\/\d+)?$/.test(word)) {
      out.tooMany ||= out.size !== null;
      out.size = word;
    } else if (GENDER_WORDS[word]) out.genders = [GENDER_WORDS[word]];
    else if (word === 'od' || word === 'outside') out.by = 'od';
    else if (word === 'nominal' || word === 'nom' || word === 'id') out.by = 'nominal';
    else if (MATERIAL_WORDS[word]) out.suffix = MATERIAL_WORDS[word];
    else if (family) {
      if (!out.named.includes(family)) out.named.push(family);
    } else if (!IGNORED.has(word)) out.unknown.push(word);
  }
  return out;
}

/** A word still being typed counts from its second letter on. */
function prefix(word: string): Word | undefined {
  return word.length < 2 ? undefined : VOCABULARY.find((v) => v.words.some((w) => w.startsWith(word)));
}

/** A bare size: threads of that size, the most met first, then tube. */
function anyOfSize(typed: Typed): Reading[] {
  const met = threads
    .filter((t) => t.id.slice(t.family.length + 1) === typed.size)
    .sort((a, b) => b.priorWeight - a.priorWeight)
    .flatMap((t) => typed.genders.map((g) => ({ end: `${t.id}-${g}`, why: `by size alone: ${t.typicalUse || t.familyName}` })));
  return [...met, ...plain('cu')(typed)];
}

/** Keeps the ends that exist, in order, each once, in the material asked for. */
function known(readings: Reading[], suffix: string): Reading[] {
  const seen = new Set<string>();
  return readings.flatMap((r) => {
    const end = suffix && isEndCode(r.end + suffix) ? r.end + suffix : r.end;
    if (seen.has(end) || !isEndCode(end)) return [];
    seen.add(end);
    return [{ end, why: r.why }];
  });
}
