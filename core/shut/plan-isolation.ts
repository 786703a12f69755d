/** Which water goes off for a piece of work: what to close, who is without, where it drains, and what next if a valve does not hold. */
import { InputError } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { type Closing, closingFor, type Means, Net } from './close.ts';
import { drainOf } from './drain.ts';
import { isStuckShut, isTank, isWell, type NetPlace, type NetValve, nameOf, sound, type WaterNetwork } from './network.ts';
import { distrust } from './trust.ts';
import { losing, wetPlaces } from './wet.ts';

export interface IsolationJob {
  /** Ids of places, pipes or valves; a pipe or a valve stands for both its places. */
  workOn: readonly string[];
  /** Valves that do not hold, whatever is known of them. */
  struckOut?: readonly string[];
}

export type IsolationPlan = PossiblePlan | { possible: false; because: Reason[] };

export interface PossiblePlan {
  possible: true;
  /** Valves to close. */
  close: string[];
  /** Valves that are stuck shut, and have to hold. */
  reliesOn: string[];
  /** Tanks that stay joined to the work: emptied at an outlet before anything is opened. */
  relieve: string[];
  /** Wells whose pump is stopped first: nothing parts them from the work, or it would run against a shut valve. */
  pumpsOff: string[];
  /** Other outlets that are without water. */
  dry: string[];
  /** Lowest outlet of the dry part; the work's own lowest place where it has none. */
  drainAt: string;
  /** Its highest other outlet: there the air comes in. */
  ventAt: string | null;
  /** What comes out at the drain, gal. */
  volumeGal: number;
  /** What stands above the work and below the drain: it comes out at the joint, gal. */
  residualGal: number;
  /** Heaters without supply: their energy goes off first. */
  energyOff: string[];
  /** Of them those that stay joined to the work: what is hot in them can come out. */
  heatersOpen: string[];
  /** The plan should the least trusted valve not hold; null where nothing is relied on. */
  readonly fallback: IsolationPlan | null;
  because: Reason[];
}

/**
 * The least disruptive set of valves that keeps every source from the work: none in the street where there is another way, then fewest other outlets dry,
 * fewest tanks to relieve, the most trusted valves, the fewest.
 *
 * @throws InputError  where the network is broken, or a name in the job is none of its
 * @source             trade practice: isolation
 */
export function planIsolation(network: WaterNetwork, { workOn, struckOut = [] }: IsolationJob): IsolationPlan {
  const net = new Net(sound(network));
  const places = placesOf(network, workOn);
  for (const id of struckOut) if (!network.valves.some((v) => v.id === id)) throw new InputError('struckOut', id, 'Name a valve of the network.');
  return plan(net, places, new Set(struckOut));
}

/** Places that the work stands for. */
function placesOf({ places, pipes, valves }: WaterNetwork, workOn: readonly string[]): string[] {
  if (workOn.length === 0) throw new InputError('workOn', '', 'Say what is worked on.');
  const ends = new Map<string, string[]>(
    [...places.map((p) => [p.id, [p.id]] as const), ...[...pipes, ...valves].map((l) => [l.id, [l.a, l.b]] as const)].map(([k, v]) => [k, [...v]]),
  );
  return [
    ...new Set(
      workOn.flatMap((id) => {
        const at = ends.get(id);
        if (!at) throw new InputError('workOn', id, 'Name a place, a pipe or a valve of the network.');
        return at;
      }),
    ),
  ];
}

/** From what the house's own valves do to what is asked of others. */
const MEANS: readonly Means[] = [
  { street: false, wellsOff: false },
  { street: false, wellsOff: true },
  { street: true, wellsOff: false },
  { street: true, wellsOff: true },
];

/** With the least means that do. */
function closingBy(net: Net, workOn: readonly number[], struckOut: ReadonlySet<string>): (Closing & Means) | null {
  const { places, valves } = net.network;
  const [hasStreet, hasWell] = [valves.some((v) => v.kind === 'street'), places.some(isWell)];
  for (const means of MEANS) {
    if ((means.street && !hasStreet) || (means.wellsOff && !hasWell)) continue;
    const closing = closingFor(net, workOn, struckOut, means);
    if (closing) return { ...closing, ...means };
  }
  return null;
}

function plan(net: Net, workOn: readonly string[], struckOut: ReadonlySet<string>): IsolationPlan {
  const closing = closingBy(
    net,
    workOn.map((id) => net.at(id)),
    struckOut,
  );
  if (!closing) return { possible: false, because: [nothingParts(net, workOn, struckOut)] };
  const { places } = net.network;
  const work = new Set(workOn);
  const without = (p: NetPlace): boolean => !closing.hasWater[net.at(p.id)];
  const dry = places.filter((p) => p.kind === 'outlet' && without(p) && !work.has(p.id)).map((p) => p.id);
  const shut = new Set(closing.close);
  const { drain, isJoined } = drainOf(
    net.network,
    workOn,
    (v) => shut.has(v) || (isStuckShut(v) && !struckOut.has(v.id)),
    closing.hasWater,
    net.number,
  );
  const energyOff = places.filter((p) => p.kind === 'heater' && without(p)).map((p) => p.id);
  const weakest = leastTrusted(closing);
  let next: IsolationPlan | null | undefined;
  return {
    possible: true,
    close: closing.close.map((v) => v.id),
    reliesOn: closing.reliedOn.map((v) => v.id),
    relieve: closing.relieve.map((i) => places[i]!.id),
    pumpsOff: places.filter((p) => isWell(p) && (closing.wellsOff || runsAgainstShut(net.network, p, closing))).map((p) => p.id),
    dry,
    ...drain,
    energyOff,
    heatersOpen: energyOff.filter((id) => isJoined(id)),
    // Worked out when it is asked for: the chain of what comes next may be long.
    get fallback() {
      if (next === undefined) next = weakest ? plan(net, workOn, new Set([...struckOut, weakest.id])) : null;
      return next;
    },
    because: reasonsOf(closing, dry, losing(net.network, { dry }, [...struckOut]), places),
  };
}

/** A pump that neither its tank nor an outlet is left to. */
function runsAgainstShut({ places, pipes, valves }: WaterNetwork, well: NetPlace, { close }: Closing): boolean {
  const left = wetPlaces(
    { places: places.map((p) => (p.kind === 'source' && p.id !== well.id ? { ...p, kind: 'junction' } : p)), pipes, valves },
    close.map((v) => v.id),
  );
  const stays = (is: (p: NetPlace) => boolean) => places.some((p) => is(p) && left.has(p.id));
  return places.some(isTank) ? !stays(isTank) : !stays((p) => p.kind === 'outlet');
}

/** Of what the plan relies on; the last named of equals. */
function leastTrusted({ close, reliedOn }: Closing): NetValve | null {
  return [...close, ...reliedOn].reduce<NetValve | null>((worst, v) => (worst === null || distrust(v) >= distrust(worst) ? v : worst), null);
}

const CONDITION_WORDS: Partial<Record<NetValve['condition'], string>> = {
  works: 'known to hold',
  weeps: 'holds, and weeps at its stem',
  unknown: 'never tried',
  'seized-shut': 'stuck shut, and never tried',
};

const SOURCE = 'trade practice: isolation';

function reasonsOf({ close, reliedOn, relieve }: Closing, dry: readonly string[], lost: readonly string[], places: readonly NetPlace[]): Reason[] {
  const source = SOURCE;
  const named = (ids: readonly string[]) =>
    ids
      .slice(0, 6)
      .map((id) => nameOf(places.find((p) => p.id === id)!))
      .join(', ');
  const before = dry.filter((id) => !lost.includes(id));
  const listed = (ids: readonly string[]) => `${named(ids)}${ids.length > 6 ? ` and ${ids.length - 6} more` : ''}`;
  const told = lost.length === 0 ? 'No other outlet loses its water.' : `Without water: ${listed(lost)}. No plan leaves fewer dry.`;
  const who = before.length === 0 ? told : `${told} Without water before it: ${listed(before)}.`;
  return [
    reason('dry', who, { source, figures: { dry: dry.length } }),
    ...close.map((v) =>
      reason('close', `${nameOf(v)}: ${v.kind === 'street' ? 'in the street' : v.kind}, ${CONDITION_WORDS[v.condition]}.`, { source }),
    ),
    ...reliedOn.map((v) => reason('relied-on', `${nameOf(v)} is ${CONDITION_WORDS[v.condition]}: the plan relies on it.`, { source })),
    ...relieve.map((i) =>
      reason('relieve', `${nameOf(places[i]!)} stays joined to the work: no valve that costs nobody their water parts it.`, { source }),
    ),
    ...(close.some((v) => v.kind === 'street')
      ? [reason('street', 'No valve of the house keeps this water back: only the one in the street is left.', { source })]
      : []),
  ];
}

function nothingParts(net: Net, workOn: readonly string[], struckOut: ReadonlySet<string>): Reason {
  const work = workOn.map((id) => nameOf(net.network.places[net.at(id)]!)).join(', ');
  const out = struckOut.size === 0 ? '' : ` with ${[...struckOut].join(', ')} struck out`;
  const who = `No valve keeps the water from ${work}${out}: call the water company for the valve in the street, or stop the source.`;
  return reason('nothing-parts', struckOut.size === 0 ? who : `${who} ${FAILED}`, { source: SOURCE });
}

const FAILED = "Water running and nothing holds: the utility's emergency line, at once.";
