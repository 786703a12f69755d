/**
 * What people ask, by form: written from what they want, before the reader that reads it. `sentences.txt` is made from it once, and left as it is.
 *
 * A word in [brackets] is a slot. Every third form is held: nobody looks at how it is read while the reader is tuned.
 */

/** A way to say a thing, and the ends that it may be. */
export interface Said {
  text: string;
  ends: string;
}

const said = (ends: string, ...texts: string[]): Said[] => texts.map((text) => ({ text, ends }));

export const SLOTS: Record<string, Said[]> = {
  // Where water comes from.
  S: [
    ...said(
      'comp-3/8-m',
      '3/8 angle stop',
      '3/8 stop',
      '3/8 comp stop',
      '3/8 shutoff',
      '3/8 compression valve',
      '3/8" comp',
      '3/8 OD stop',
      'three eighths stop',
    ),
    ...said('comp-1/4-m', '1/4 stop', '1/4 inch comp valve', '1/4" compression'),
    ...said('cu-5/8od', '1/2 copper', 'half inch copper', 'half-inch copper pipe', '1/2" copper', '½ copper'),
    ...said('pex-5/8od', '1/2 pex', 'half inch pex', '1/2" PEX line', 'half inch pex pipe'),
    ...said('cpvc-5/8od', '1/2 cpvc', 'half inch cpvc'),
    ...said('cu-7/8od', '3/4 copper', '3/4" copper pipe'),
    ...said('npt-1/2-m', '1/2 mip', '1/2 inch male pipe thread', 'half inch nipple', '1/2" galvanized nipple'),
    ...said('npt-1/2-f,npsm-1/2-f', '1/2 fip elbow', '1/2" female pipe thread'),
    ...said('ght-3/4-m', 'hose bib', 'outside spigot', '3/4 hose thread', 'garden hose valve'),
  ],
  // Tube that a small line comes in.
  T: [
    ...said('cu-1/4od', '1/4 copper tubing', '1/4 od copper', 'quarter inch copper tube'),
    ...said('pe-1/4od', '1/4 plastic tubing', '1/4 poly', 'quarter inch plastic line'),
  ],
  // What is fed.
  A: [
    ...said('bc-7/8-m', 'toilet', 'commode', 'wc', 'water closet'),
    ...said('npsm-1/2-m,comp-3/8-f,comp-3/8-m', 'bathroom faucet', 'lav faucet', 'vanity faucet', 'basin tap'),
    ...said('comp-3/8-f,npsm-1/2-m,m-10x1-f', 'kitchen faucet', 'kitchen tap', 'sink faucet'),
    ...said('ght-3/4-m,npt-3/8-f,comp-3/8-m', 'dishwasher', 'dish washer'),
    ...said('comp-1/4-m,pe-1/4od,ptc-1/4od,ptc-5/16od', 'fridge', 'refrigerator', 'frig', 'icebox'),
    ...said('comp-1/4-m,pe-1/4od,ptc-1/4od', 'ice maker', 'icemaker', 'ice machine'),
    ...said('ght-3/4-m,g-3/4-m', 'washing machine', 'clothes washer', 'laundry machine'),
    ...said('comp-3/8-m,g-1/2-m,npsm-1/2-m', 'bidet', 'bidet seat', 'toilet seat bidet'),
    ...said('ptc-1/4od,comp-1/4-m,flare-1/4-m', 'coffee maker', 'coffee brewer', 'brewer'),
  ],
  // Small things that hang on a tee.
  B: [
    ...said('comp-1/4-m,pe-1/4od,ptc-1/4od,ptc-5/16od', 'fridge', 'refrigerator'),
    ...said('comp-1/4-m,pe-1/4od,ptc-1/4od', 'ice maker'),
    ...said('ght-3/4-m,npt-3/8-f,comp-3/8-m', 'dishwasher'),
    ...said('ptc-1/4od,comp-1/4-m,flare-1/4-m', 'coffee maker', 'brewer'),
    ...said('ptc-1/4od,comp-3/8-m,comp-1/4-m', 'glass rinser'),
  ],
  // Lengths, as inches.
  L: [
    ...said('12', '12 inch', '12"', 'a foot', '12 in'),
    ...said('20', '20 inch', '20"', 'twenty inch', '20-inch'),
    ...said('60', '60 inch', '5 ft', '5 foot', "5'", 'five foot'),
    ...said('72', '6 ft', '72 inch', '6 foot', 'six foot'),
    ...said('120', '10 ft', '10 foot', 'ten feet', '120 in'),
    ...said('18', '18 inch', 'a foot and a half', '1 1/2 ft'),
  ],
  // A connector by its two nuts, as the stubs they go on.
  N: [
    ...said('comp-3/8-m npsm-1/2-m', '3/8 comp x 1/2 fip', '3/8 x 1/2', '3/8 comp by 1/2 fip', '3/8c x 1/2 fip'),
    ...said('comp-3/8-m bc-7/8-m', '3/8 comp x 7/8 bc', '3/8 x 7/8', '3/8 comp by 7/8 ballcock'),
    ...said('npsm-1/2-m bc-7/8-m', '1/2 fip x 7/8 bc', '1/2 fip x 7/8 ballcock'),
    ...said('comp-3/8-m comp-3/8-m', '3/8 comp x 3/8 comp', '3/8 x 3/8'),
    ...said('comp-1/4-m comp-1/4-m', '1/4 comp x 1/4 comp', '1/4 x 1/4'),
  ],
  // A stop by its two ends, as what they go on.
  V: [
    ...said('cu-5/8od comp-3/8-f', '1/2 sweat x 3/8 comp', '5/8 od comp x 3/8 od comp', '1/2 nom comp x 3/8 od comp', '1/2 sweat by 3/8 compression'),
    ...said('npt-1/2-m comp-3/8-f', '1/2 fip x 3/8 comp', '1/2 fip by 3/8 compression', '1/2 ips x 3/8 od'),
    ...said('pex-5/8od comp-3/8-f', '1/2 pex x 3/8 comp', '1/2 pex crimp by 3/8 compression'),
  ],
  // Pairs that are asked about: does the one go on the other?
  P: [
    ...said('npsm-1/2-f bc-7/8-m', 'a 1/2 fip nut|a ballcock', 'a faucet nut|a toilet fill valve'),
    ...said('flare-3/8-m,flare-3/8-f comp-3/8-m,comp-3/8-f', '3/8 flare|3/8 compression'),
    ...said('ght-3/4-f,ght-3/4-m npt-3/4-m,npt-3/4-f', 'garden hose|3/4 pipe thread', '3/4 ght|3/4 npt'),
    ...said('comp-3/8-f,comp-3/8-m npt-3/8-m,npt-3/8-f', '3/8 comp nut|3/8 pipe'),
    ...said('comp-1/4-f,comp-1/4-m flare-1/4-m,flare-1/4-f', '1/4 comp|1/4 flare'),
    ...said('npsm-1/2-f,npt-1/2-f comp-5/8-m', '1/2 fip|5/8 compression'),
  ],
  // What leaks, and where.
  W: [
    ...said('bc-7/8-m', 'toilet', 'fill valve', 'toilet supply'),
    ...said('npsm-1/2-m,comp-3/8-f,m-10x1-f', 'kitchen faucet', 'bathroom faucet'),
    ...said('ght-3/4-m,npt-3/8-f', 'dishwasher'),
    ...said('comp-1/4-m,pe-1/4od,ptc-1/4od', 'fridge line', 'ice maker line'),
    ...said('ght-3/4-m', 'washing machine hose', 'washer'),
  ],
  // What is not ours.
  G: said('', 'gas stove', 'gas range', 'gas dryer', 'propane grill', 'furnace', 'gas fireplace', 'pool heater', 'generator', 'gas log lighter'),
  H: said('', 'water heater', 'tankless heater', 'boiler', 'lawn sprinkler', 'sprinkler system', 'fire sprinkler', 'irrigation line'),
};

export interface Form {
  kind: 'chain' | 'part' | 'fits' | 'leaks' | 'not-ours';
  text: string;
  /** What must be asked besides what the slots say: 'stop', 'arrestor', 'rejoin comp-3/8-f', 'hot', 'from comp-3/8-m', 'to bc-7/8-m', ... */
  also?: string;
}

const chain = (text: string, also?: string): Form => ({ kind: 'chain', text, ...(also ? { also } : {}) });
const of = (kind: Form['kind'], text: string, also?: string): Form => ({ kind, text, ...(also ? { also } : {}) });

// biome-ignore format: a table
export const FORMS: readonly Form[] = [
  chain('how do I hook up a [A] to a [S] with a [L] hose'),
  chain('[S] to [A]'),
  chain('what do i need to go from [S] to a [A]'),
  chain('[A] supply line from [S], [L]'),
  chain('connect [A] to [S]'),
  chain('need to run a line from the [S] to the [A], about [L]'),
  chain('I have [S] and want to feed a [A]'),
  chain('the [A] is [L] from the [S]'),
  chain('customer has [S], wants a new [A]'),
  chain('parts to put a [A] on [S]'),
  chain('what goes between [S] and a [A]'),
  chain('hooking a [A] up to [S] [L] away'),
  chain('putting in a [A], water is [S]'),
  chain('[A] on [S] with its own shutoff', 'stop'),
  chain('[S] stub, no valve, need to feed a [A] with a stop', 'stop'),
  chain('whats the hookup for a [A] if I only have [S]'),
  chain('[L] line, [S] to [A]'),
  chain('got [S] under there, [A] goes [L] over'),
  chain('can you tell me how to get water from a [S] to my [A]'),
  chain('old [A] came off, new one needs to go on [S]'),
  chain('my [A] needs hooked to [S] please'),
  chain('swap [A] line, [S], [L]'),
  chain('[A] fed from [S]'),
  chain('from [S] over to [A] [L]'),
  chain('[A] connector [L]'),
  chain('need a [L] supply for a [A]'),
  chain('line for a [A]'),
  chain('replace the hose on my [A]'),
  chain('tee off the kitchen sink cold stop for a [B]', 'from comp-3/8-m; rejoin comp-3/8-f'),
  chain('[B] off the sink stop, leave the faucet connected', 'from comp-3/8-m; rejoin comp-3/8-f'),
  chain('add a [B] line from under the sink and keep the faucet working', 'from comp-3/8-m; rejoin comp-3/8-f'),
  chain('split the 3/8 stop so it feeds the faucet and a [B]', 'from comp-3/8-m; rejoin comp-3/8-f'),
  chain('bidet off the toilet, [L]', 'from comp-3/8-m,bc-7/8-f; to comp-3/8-m,g-1/2-m,npsm-1/2-m; rejoin bc-7/8-m,comp-3/8-f'),
  chain('put a bidet on without losing the toilet water', 'from comp-3/8-m,bc-7/8-f; to comp-3/8-m,g-1/2-m,npsm-1/2-m; rejoin bc-7/8-m,comp-3/8-f'),
  chain('[S] to washing machine with hammer arrestors', 'to ght-3/4-m,g-3/4-m; arrestor'),
  chain('washer keeps banging, want arrestors on the [L] hoses', 'to ght-3/4-m,g-3/4-m; arrestor'),
  chain('hot side of [S] to dishwasher', 'to ght-3/4-m,npt-3/8-f,comp-3/8-m; hot'),
  chain('[T] to the fridge', 'to comp-1/4-m,pe-1/4od,ptc-1/4od,ptc-5/16od'),
  chain('run [T] [L] to an ice maker', 'to comp-1/4-m,pe-1/4od,ptc-1/4od'),
  chain('fridge after the RO filter, [T], no brass', 'to comp-1/4-m,pe-1/4od,ptc-1/4od,ptc-5/16od; avoid brass'),
  chain('go from [S] to toilet, no push fittings', 'to bc-7/8-m; no push'),
  chain('join [S] to 1/2 pex', 'to pex-5/8od'),
  chain('1/2 copper onto [S] coupling', 'pair cu-5/8od'),
  chain('what adapter for [S] to 3/4 garden hose', 'to ght-3/4-m,ght-3/4-f'),
  chain('faucet hose too short by [L]', 'to comp-3/8-f,npsm-1/2-m'),
  of('part', 'braided [N] x [L]'),
  of('part', '[N] [L] connector'),
  of('part', '[N] supply line [L]'),
  of('part', 'do you have a [N] x [L]'),
  of('part', '[L] stainless [N]'),
  of('part', '[V] angle stop', 'stop'),
  of('part', '[V] quarter turn', 'stop'),
  of('part', 'straight stop [V]', 'stop'),
  of('part', 'two [V] valves', 'stop'),
  of('part', 'pair of washer hoses [L]', 'from ght-3/4-m; to ght-3/4-m'),
  of('part', 'stop for half inch pex, quarter turn', 'from pex-5/8od; stop'),
  of('fits', 'will [P1] fit [P2]'),
  of('fits', 'is [P1] the same as [P2]'),
  of('fits', 'can I screw [P1] onto [P2]'),
  of('fits', 'does [P1] go on [P2]?'),
  of('fits', '[P1] vs [P2], same thread?'),
  of('leaks', '[W] is leaking'),
  of('leaks', 'drip at the [W]'),
  of('leaks', 'water under the [W], wont stop'),
  of('leaks', 'my [W] drips when it fills'),
  of('leaks', '[W] started spraying last night'),
  of('leaks', 'wet floor by the [W]'),
  of('not-ours', 'hook up a [G]'),
  of('not-ours', '1/2 black iron to [G]'),
  of('not-ours', 'flex line for a [G]'),
  of('not-ours', 'how do I connect my [H]'),
  of('not-ours', '3/4 copper to [H]'),
  of('not-ours', '[H] supply hoses'),
];
