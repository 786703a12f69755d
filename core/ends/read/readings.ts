/** The ends that what was said may be, best first. */
import { type EndCode, isEndCode, parseEnd } from '../code.ts';
import { usualInlets } from '../tables/inlets.ts';
import { type Thread, type ThreadFamily, threads } from '../tables/threads.ts';
import { tubeEnds, tubeSize } from '../tables/tubes.ts';
import type { Said } from './said.ts';
import type { Reading, Typed } from './typed.ts';
import type { Gender, Named } from './vocabulary.ts';

/** Of what takes tube, tube, thread and appliance, the first that is named decides. */
const FITTINGS: readonly Named[] = ['comp', 'flare', 'ptc', 'crimp', 'expand', 'cup', 'nose'];
const THREADED: readonly Named[] = ['tap tail', 'pipe', 'npt', 'npsm', 'bc', 'ght', 'aer', 'g', 'm', 'nipple'];
const TUBES: readonly Named[] = ['cu', 'pex', 'cpvc', 'pe', 'pb', 'steel', 'cts'];

export function readingsOf(said: Said, typed: Typed): Reading[] {
  const { named } = typed;
  const first = (kinds: readonly Named[]) => named.find((n) => kinds.includes(n));
  if (said.callouts.length > 0) return byCallout(said, typed);
  if (said.metric !== null) return thread('m', 'metric thread')({ ...typed, size: said.metric });
  const fitting = first(FITTINGS);
  if (fitting) return FITTING[fitting]!(typed);
  if (named.includes('iron pipe')) return typed.isGendered ? pipe(typed) : [...tubeOf('steel')(typed), ...pipe(typed)];
  const threaded = first(THREADED);
  if (threaded) return THREAD[threaded]!(typed);
  if (named.includes('riser')) return riser({ ...typed, size: typed.size ?? '3/8' });
  const tube = first(TUBES);
  if (tube) return TUBE[tube]!(typed);
  if (named.includes('tube')) return anyTube(typed);
  if (named.includes('stop') && typed.size === null) return stopOutlets(typed);
  if (typed.appliance !== null) return inletsOf(typed.appliance, typed);
  if (named.includes('hose')) return thread('ght', 'hose thread')(typed);
  return typed.size === null ? [] : anyOfSize(typed);
}

const OD_OF_NOMINAL: Record<string, string> = { '1/4': '3/8', '3/8': '1/2', '1/2': '5/8', '3/4': '7/8' };
const BY_OUTSIDE: readonly string[] = ['1/8', '3/16', '1/4', '5/16', '3/8'];

/** Outside diameters a size may mean, the likelier first, each with its reason. */
function diameters({ size, by }: Typed, first?: 'od' | 'nominal'): [od: string, why: string][] {
  if (size === null) return [];
  const outside: [string, string] = [size, `${size} in taken as the outside diameter`];
  const od = OD_OF_NOMINAL[size];
  const nominal: [string, string][] = od ? [[od, `${size} in taken as the nominal size: ${od} in outside`]] : [];
  if (by === 'od') return [outside];
  if (by === 'nominal') return nominal;
  const likelier = first ?? (BY_OUTSIDE.includes(size) ? 'od' : 'nominal');
  return likelier === 'od' ? [outside, ...nominal] : [...nominal, outside];
}

/** Why a tube is read of which no size was said. */
export const NO_SIZE_SAID = 'no size said: what is met most';

/** Outside diameters that are met where no size is said, in, the most met first; of iron pipe its nominal sizes. */
const MET: Record<string, readonly string[]> = {
  cu: ['5/8', '3/8', '7/8'], pex: ['5/8', '7/8', '3/8'], cpvc: ['5/8', '7/8'], pe: ['1/4', '3/8'], pb: ['5/8', '7/8'], steel: ['1/2', '3/4'],
  ptc: ['5/8', '1/4', '3/8'], cup: ['5/8', '7/8'], crimp: ['5/8', '7/8'], expand: ['5/8', '7/8'], nose: ['3/8', '7/16'],
}; // biome-ignore format: a table

const tubeOf =
  (family: string, first?: 'od' | 'nominal') =>
  (typed: Typed): Reading[] => {
    if (typed.size !== null) return ofSaidSize(family, typed, first);
    if (typed.isBegun) return [];
    return MET[family]!.map((size) => ({
      end: family === 'steel' ? `steel-${size}ips` : `${family}-${size}od`,
      why: NO_SIZE_SAID,
    }));
  };

const ofSaidSize = (family: string, typed: Typed, first?: 'od' | 'nominal'): Reading[] =>
  diameters(typed, family === 'nose' || family === 'pe' ? 'od' : first).map(([od, why]) => ({
    end: family === 'steel' ? `steel-${typed.size}ips` : `${family}-${od}od`,
    why: family === 'steel' ? 'iron-pipe size' : why,
  }));

/** Thread sizes of a family when none is typed, the most met first. */
function sizesMet(family: ThreadFamily): string[] {
  const own = threads.filter((t) => t.family === family);
  return own.sort((a, b) => b.priorWeight - a.priorWeight).map((t) => t.id.slice(family.length + 1));
}

const thread =
  (family: ThreadFamily, why: string | ((gender: Gender) => string)) =>
  (typed: Typed): Reading[] =>
    (typed.size === null ? sizesMet(family) : [typed.size]).flatMap((size) =>
      typed.genders.map((g) => ({ end: `${family}-${size}-${g}`, why: typeof why === 'string' ? `${why}, ${NAMED_GENDER[g]}` : why(g) })),
    );

const NAMED_GENDER: Record<Gender, string> = { m: 'male', f: 'swivel nut or female' };

/** "Compression" is an unreliable word, so a reading says how it seals. */
const seatOfComp = (g: Gender) => (g === 'm' ? 'body that takes nut and ferrule, or a rubber-seated nut' : 'swivel nut with its own rubber seal');

function compression(typed: Typed): Reading[] {
  if (typed.size === null) return thread('comp', seatOfComp)(typed);
  const sizes = diameters(typed);
  const bodies = sizes.flatMap(([size, why]) => typed.genders.map((g) => ({ end: `comp-${size}-${g}`, why: `${seatOfComp(g)}; ${why}` })));
  // A nut that is loose is for the tube it goes over.
  return typed.nut ? [...bodies, ...sizes.flatMap(([size]) => tubesOfOd(size, 'a loose nut goes over this tube'))] : bodies;
}

/** FIP on a connector is a swivel nut with a washer, on a rigid body a taper; MIP is nearly always the taper. */
function pipe(typed: Typed): Reading[] {
  const of: Record<Gender, (t: Typed) => Reading[]> = {
    m: (t) => [...thread('npt', () => 'taper thread')(t), ...thread('npsm', () => 'straight shank')(t)],
    f: (t) => [
      ...thread('npsm', () => 'swivel nut with washer, as on a connector')(t),
      ...(typed.swivel ? [] : thread('npt', () => 'rigid taper port')(t)),
    ],
  };
  return typed.genders.flatMap((g) => of[g]({ ...typed, genders: [g] }));
}

/** A swivel makes a pipe thread straight: its washer seals. */
const taper = (typed: Typed): Reading[] => (typed.swivel ? pipe({ ...typed, genders: ['f'] }) : thread('npt', () => 'taper pipe thread')(typed));

/** What hangs below a tap: its own shank, or a hose screwed into it. */
function tapTail(typed: Typed): Reading[] {
  const tails: [end: EndCode, why: string][] = [
    ['npsm-1/2-m', 'straight shank of a tap'],
    ['g-1/2-m', 'shank of a British tap'],
    ['m-10x1-m', 'hose screwed into the tap'],
    ['comp-3/8-f', 'the tap’s own hose'],
  ];
  return tails.filter(([end]) => typed.size === null || parseEnd(end).size === typed.size).map(([end, why]) => ({ end, why }));
}

const FITTING: Partial<Record<Named, (typed: Typed) => Reading[]>> = {
  comp: compression,
  flare: thread('flare', '45 degree flare'),
  ptc: tubeOf('ptc'),
  crimp: tubeOf('crimp', 'nominal'),
  expand: tubeOf('expand', 'nominal'),
  cup: tubeOf('cup'),
  nose: tubeOf('nose', 'od'),
};

const THREAD: Partial<Record<Named, (typed: Typed) => Reading[]>> = {
  pipe,
  npt: taper,
  npsm: thread('npsm', (g) => (g === 'm' ? 'straight shank' : 'swivel nut with washer')),
  bc: thread('bc', 'ballcock thread'),
  ght: thread('ght', 'hose thread'),
  aer: thread('aer', 'aerator thread'),
  g: thread('g', 'parallel pipe thread'),
  m: thread('m', 'metric thread'),
  'tap tail': tapTail,
  nipple: (typed) => thread('npt', () => 'nipple: taper thread')({ ...typed, genders: ['m'] }),
};

const TUBE: Partial<Record<Named, (typed: Typed) => Reading[]>> = {
  cu: tubeOf('cu'),
  pex: tubeOf('pex', 'nominal'),
  cpvc: tubeOf('cpvc', 'nominal'),
  pe: tubeOf('pe', 'od'),
  pb: tubeOf('pb', 'nominal'),
  steel: tubeOf('steel', 'nominal'),
  cts: (typed) => diameters({ ...typed, size: typed.size ?? '1/2' }, 'nominal').slice(0, 1).flatMap(([od]) => tubesOfOd(od, 'copper tube size')),
}; // biome-ignore format: a table

/** A riser ends in a nose above and as plain tube below; most are of 3/8 in. */
const riser = (typed: Typed): Reading[] => [...tubeOf('nose')(typed), ...tubeOf('cu')({ ...typed, by: typed.by ?? 'od' })];

/** Every tube of one outside diameter, what is met most first. */
const tubesOfOd = (od: string, why: string): Reading[] =>
  tubeEnds.filter((t) => t.id.endsWith('od') && t.material !== 'polybutylene' && tubeSize(t) === od).map((t) => ({ end: t.id, why }));

const anyTube = (typed: Typed): Reading[] => diameters(typed).flatMap(([od, why]) => tubesOfOd(od, why));

/** What a stop lets its water out by. */
const stopOutlets = (typed: Typed): Reading[] =>
  ['3/8', '1/4'].flatMap((size) => typed.genders.map((g) => ({ end: `comp-${size}-${g}`, why: 'what most stops let out by' })));

/** Usual inlets of an appliance; a hose or nut of it is their other half. */
function inletsOf(appliance: string, typed: Typed): Reading[] {
  const inlets = usualInlets(appliance).map(
    (end): Reading => ({
      end: typed.isGendered ? turned(end, typed.genders[0]!) : end,
      why: `usual on a ${appliance.replaceAll('-', ' ')}`,
      appliance,
    }),
  );
  if (typed.size === null) return inlets;
  const ofSize = inlets.filter(({ end }) => parseEnd(end).size === typed.size);
  return ofSize.length > 0 ? ofSize : anyOfSize(typed);
}

/** A threaded end with the gender said; tube and sockets have none. */
function turned(end: EndCode, gender: Gender): EndCode {
  const other = end.replace(/-[mf](?=$|:)/, `-${gender}`);
  return isEndCode(other) ? other : end;
}

/** A bare size: threads of that size, the most met first, then tube; with a gender a pipe thread first. */
function anyOfSize(typed: Typed): Reading[] {
  const met = threads
    .filter((t) => t.id.slice(t.family.length + 1) === typed.size)
    .sort((a, b) => b.priorWeight - a.priorWeight)
    .flatMap((t) => typed.genders.map((g) => ({ end: `${t.id}-${g}`, why: `by size alone: ${t.typicalUse || t.familyName}` })));
  if (typed.isGendered && !typed.named.includes('stop') && !typed.nut) return [...pipe(typed), ...met];
  return [...met, ...tubeOf('cu')(typed)];
}

/** A caliper, or a pitch gauge, agrees with the figure stamped or told to this, in. */
const CALLOUT_SLACK_IN = 0.012;

/** '9/16-24' is a crest diameter and a pitch; '1/2-14' a pipe's name and its pitch. */
function byCallout({ callouts }: Said, typed: Typed): Reading[] {
  const { diameterIn, threadsPerIn, text } = callouts[0]!;
  const isIt = (t: Thread) => {
    if (Math.abs(t.threadsPerIn - threadsPerIn) > 0.26) return false;
    const byName = t.id
      .slice(t.family.length + 1)
      .split('/')
      .map(Number);
    const nominal = byName.length === 2 ? byName[0]! / byName[1]! : byName[0]!;
    return Math.abs(t.externalMajorIn - diameterIn) <= CALLOUT_SLACK_IN || (PIPES.includes(t.family) && Math.abs(nominal - diameterIn) < 1e-6);
  };
  const found = threads.filter(isIt).sort((a, b) => nearness(a, typed) - nearness(b, typed) || b.priorWeight - a.priorWeight);
  return found.flatMap((t) =>
    typed.genders.map((g) => ({ end: `${t.id}-${g}`, why: `${text}: diameter and threads an inch of ${t.familyName} ${t.sizeName}` })),
  );
}

const PIPES: readonly ThreadFamily[] = ['npt', 'npsm', 'ght', 'g'];
/** What is named beside the callout comes first. */
const nearness = (t: Thread, { named }: Typed): number => (named.includes(t.family) || (named.includes('pipe') && t.family.startsWith('np')) ? 0 : 1);
