/** The words of the trade: what each says of an end. Phrases of up to four words; the longest that fits is taken. */
import type { EndFamily } from '../code.ts';

export type Gender = 'm' | 'f';

/** What a word names: a family of ends, or a kind that stands for several. */
export type Named = EndFamily | 'pipe' | 'iron pipe' | 'cts' | 'tube' | 'riser' | 'nipple' | 'hose' | 'stop' | 'tap tail' | 'lead';

export interface Phrase {
  words: string;
  /** Families of ends it names. */
  names?: Named;
  /** Said outright: 'male'. */
  gender?: Gender;
  /** Usual of the thing: a nut is female, an outlet male. */
  side?: Gender;
  /** A nut that turns on its piece. */
  swivel?: true;
  /** A nut by itself. */
  nut?: true;
  by?: 'od' | 'nominal';
  material?: ':plastic' | ':metal';
  /** Id in appliances.csv. */
  appliance?: string;
  /** The size beside it is not that of its thread. */
  ownSize?: true;
  /** Its size where none is said. */
  size?: string;
  /** Its word is still being typed. */
  isBegun?: true;
}

type Row = [words: string, says: Omit<Phrase, 'words'>];

// biome-ignore format: a table
const ROWS: Row[] = [
  ['comp|compression|compr|cmp|compression fitting|comp fitting|compression joint|ferrule fitting|olive|ferrule|compression thread', { names: 'comp' }],
  ['flare|flared|sae|flare fitting|flared fitting|45 degree flare|sae flare', { names: 'flare' }],
  ['mip|mpt|mnpt|mips|mipt|male iron pipe|male pipe thread|male pipe|male ips|male npt', { names: 'pipe', gender: 'm' }],
  ['fip|fpt|fnpt|fips|fipt|female iron pipe|female pipe thread|female pipe|female ips', { names: 'pipe', gender: 'f' }],
  ['ips|ip|pipe thread|iron pipe thread|iron pipe size|iron pipe straight', { names: 'pipe' }],
  ['iron pipe', { names: 'iron pipe' }],
  ['npt|taper|tapered|pipe taper', { names: 'npt' }],
  ['npsm|nps|straight thread|straight pipe|straight pipe thread|faucet thread', { names: 'npsm' }],
  ['straight shank|straight threaded shank|parallel shank', { names: 'npsm', side: 'm' }],
  ['taper shank|tapered shank', { names: 'npt', side: 'm' }],
  ['bc|ballcock|ball cock|fill valve|fill-valve|float valve|float valve shank|tank shank|ballcock valve|cistern valve|ball valve shank|tank inlet|ballcock thread', { names: 'bc' }],
  ['ght|garden hose|garden hose thread|garden hose fitting|garden thread|hose thread|ht|nh|nst', { names: 'ght' }],
  ['mht|mght|male hose|male hose thread|male garden hose', { names: 'ght', gender: 'm' }],
  ['fht|fght|female hose|female hose thread|female garden hose', { names: 'ght', gender: 'f' }],
  ['outside faucet|outdoor faucet|outside tap|outdoor tap|garden tap|yard faucet|outside spigot|hose bib|hose bibb|hosebib|hosebibb|hose-bib|hose-bibb|bib|bibb|sillcock|sill cock|boiler drain|spigot|hose spigot|hose valve|laundry valve|laundry box|washer box|washer outlet box|washer valve|washer outlet|wall box|wallbox|laundry tub faucet|bibcock|bib cock|bib tap|standpipe|stand pipe|yard tap|garden spigot|garden faucet|wall spigot|laundry spigot|laundry faucet|washer faucet|drain cock', { names: 'ght', side: 'm', ownSize: true }],
  ['aer|aerator|aerator thread', { names: 'aer' }],
  ['g|bsp|bspp|british pipe|british|parallel pipe|bsp parallel', { names: 'g' }],
  ['tap tail|tap tails|tap shank|tap tailpiece|basin tap tail|sink tap tail', { names: 'tap tail', side: 'm' }],
  ['flexible tap tail|flexible tap tails|flexi tap tail|flexi tail|flexi tails|braided tap tail', { names: 'm', side: 'm', size: '10x1' }],
  ['shower arm', { names: 'npt', side: 'm', size: '1/2' }],
  ['shower head|showerhead|shower rose', { names: 'npsm', side: 'f', size: '1/2' }],
  ['shower hose|hand shower hose|handheld shower hose|handshower hose', { names: 'g', side: 'f', size: '1/2' }],
  ['hand shower outlet|shower hose outlet|shower outlet', { names: 'g', side: 'm', size: '1/2' }],
  ['m10 tail|mixer tail|mixer hose', { names: 'm', side: 'm' }],
  ['cu|copper|copper stub-out|rolled copper|coiled copper|copper coil|rigid copper|soft copper|hard copper|copper pipe|copper tube|copper tubing|copper stub|type k|type l|type m', { names: 'cu' }],
  ['pex|red pex|blue pex|white pex|crosslinked|cross linked polyethylene|pex-a|pex-b|pex a|pex b|pexa|pexb|pex tubing|pex pipe', { names: 'pex' }],
  ['cpvc', { names: 'cpvc' }],
  ['pe|poly|clear tube|clear tubing|white tubing|vinyl tubing|plastic hose|filter tubing|ro tubing|polyethylene|poly tube|poly tubing|poly line|plastic tube|plastic tubing|plastic line|poly pipe|poly hose', { names: 'pe' }],
  ['ice maker tubing|icemaker tubing|ice-maker tubing|ice maker tube|icemaker tube|fridge tubing|fridge tube|refrigerator tubing|refrigerator tube|ice maker water tubing|plastic ice maker tubing', { names: 'pe', size: '1/4' }],
  ['pb|polybutylene|poly b|poly-b|polyb|grey|gray|grey pipe|gray pipe|grey poly|gray poly|grey plastic|gray plastic|grey plastic pipe|gray plastic pipe|grey tubing|gray tubing', { names: 'pb' }],
  ['steel|galvanized|galvanised|galv|black iron|black pipe|black iron pipe|galvanized pipe|galv pipe|steel pipe|iron|galvy|galvanized steel|galvanised pipe|galvanized stub|zinc pipe', { names: 'steel' }],
  ['lead|lead pipe', { names: 'lead' }],
  ['cts|copper tube size|stub out|stubout|stub-out', { names: 'cts' }],
  ['tube|tubing', { names: 'tube' }],
  ['ptc|push|push in|push-in|push fit|pushfit|push-fit|push on|push-on|push to connect|push-to-connect|push connect|quick connect|quick-connect|quickconnect|qc|push fitting|pushfit fitting|push in fitting|push lock|push-lock|slip in|snap in|speed fit|quick fit|quick-fit|quick disconnect|collet', { names: 'ptc' }],
  ['cup|solder joint|soldered joint|sweat fitting|solder fitting|capillary|end feed|solder|soldered|sweat|sweated|solder cup|sweat cup', { names: 'cup' }],
  ['crimp|clamp|cinch|barb|barbed|insert barb|f1807|f2159|f-1807|f-2159|astm f1807|astm f2159|crimp ring|pex barb|pex crimp|pex clamp|pex cinch', { names: 'crimp' }],
  ['expand|expansion|expander|f1960|f-1960|astm f1960|pex expansion|cold expansion|pex-a expansion|pex a expansion', { names: 'expand' }],
  ['nose|acorn end|acorn head|bullet nose|cone nose|acorn|bullnose|bull nose|riser nose', { names: 'nose' }],
  ['riser|supply tube|basin riser|faucet riser|toilet riser|lavatory riser|chrome riser|chrome supply|chrome supply tube|chrome tube|rigid supply|rigid supply line|rigid riser', { names: 'riser' }],
  ['nipple', { names: 'nipple' }],
  ['union', { names: 'pipe' }],
  ['hose', { names: 'hose', side: 'f' }],
  ['valve|stop|angle stop|straight stop|shutoff|shut off|shut-off|stop valve|stops|angle stops|supply stop|supply valve|shutoff valve|shut off valve|dual stop|dual outlet stop|dual shutoff|isolation valve|isolating valve|isolator|service valve|saddle|saddle valve|needle valve|piercing valve|saddle tap', { names: 'stop', side: 'm' }],
  ['m|male|man', { gender: 'm' }],
  ['f|female|fem|fml', { gender: 'f' }],
  ['nut|loose nut|coupling nut', { side: 'f', nut: true }],
  ['swivel|swivel nut|swivel end', { side: 'f', swivel: true }],
  ['hose end|connector nut|line nut|supply line|braided line|braided hose|braid|flexi|flexi hose|flexi connector|flexible tap connector|tap connector|no burst line|steel braided line|braided connector|braided supply|flex line|flex hose|flex connector|flexible line|flexible hose|flexible connector|connector|supply hose', { side: 'f' }],
  ['outlet|inlet|tail|tails|tailpiece|tail piece|shank|port|spud|tee branch|outlets|inlets|tailpieces|shanks|ports', { side: 'm' }],
  ['od|outside|o.d|outside diameter', { by: 'od' }],
  ['nominal|nom|id|i.d', { by: 'nominal' }],
  ['plastic|acetal|nylon', { material: ':plastic' }],
  ['metal|brass|chrome|stainless', { material: ':metal' }],
  ['toilet|toilet tank|water closet|closet|tank|commode|wc|cistern|toilet cistern|loo|john|throne|crapper|lavatory pan|wc pan|potty|privy|close coupled toilet|guest toilet|powder room toilet|half bath toilet|running toilet|new toilet', { appliance: 'toilet' }],
  ['faucet|tap|basin|basin faucet|lavatory|lav|lavy|bathroom faucet|bathroom sink|bath sink|vanity faucet|vanity sink|vanity|powder room sink|sink|sink faucet|mixer|basin mixer|mixer tap|basin tap|pillar tap|hand basin|wash basin|washbasin|hand sink|bar faucet|bar sink|monobloc|monobloc tap|vessel sink|vessel faucet|bathroom tap|bath faucet|cloakroom basin|widespread faucet|centerset faucet|single hole faucet|two handle faucet|single lever faucet|guest sink|half bath sink|utility sink faucet|pedestal sink|pedestal basin', { appliance: 'basin-faucet' }],
  ['kitchen faucet|kitchen sink|kitchen tap|kitchen mixer|pull down faucet|pulldown faucet|pull-down faucet|pull out faucet|pullout faucet|pull-out faucet|prep sink|prep faucet|sink mixer|island sink|island faucet|bar tap|spray faucet|gooseneck faucet|kitchen sink faucet|kitchen mixer tap|apron sink', { appliance: 'kitchen-faucet' }],
  ['bidet|bidet seat|bidet toilet seat|toilet seat bidet|toilet bidet|bidet toilet|washlet|wash seat|bidet attachment|bidet sprayer|handheld bidet|hand held bidet|bidet wand|bum gun|smart seat|toilet seat|heated seat|electric bidet|bidet toilet attachment|spray seat|hygienic seat|shower toilet', { appliance: 'bidet-seat' }],
  ['dishwasher|dish washer|dish-washer|dw|d/w|dish machine|dishmachine|dishwashing machine|new dishwasher|drawer dishwasher|dishwasher inlet valve', { appliance: 'dishwasher' }],
  ['fridge|refrigerator|frig|fridgerator|fridge freezer|freezer|ice box|icebox|fridge line|fridge water dispenser|water dispenser|french door fridge|fridge ice maker|refrigerator ice maker|fridge icemaker|fridge water|refrigerator water line|fridge water line|side by side fridge|cooler|icebox fridge', { appliance: 'refrigerator' }],
  ['ice maker|icemaker|ice machine|ice-maker|ice maker line|ice|bar ice maker|undercounter ice maker|nugget ice maker|ice maker machine|ice dispenser|ice unit', { appliance: 'ice-maker' }],
  ['brewer|coffee maker|coffeemaker|coffee machine|coffee brewer|coffee urn|espresso machine|tea brewer|coffee|coffee pot|coffee station|coffee bar|coffee brewer machine|bean to cup|office coffee machine|tea machine|hot drinks machine', { appliance: 'brewer' }],
  ['glass rinser|rinser|glass washer|pitcher rinser|cup rinser|bar rinser|bottle rinser|glass rinse', { appliance: 'glass-rinser' }],
  ['ro|r/o|reverse osmosis|ro unit|ro system|ro faucet|ro dispenser|drinking tap|drinking faucet|drinking water faucet|water filter|filter|filter tap|under sink filter|water cooler|drinking fountain|bubbler|filtered water tap|filtered faucet|ro filter|ro water faucet|ro tap|purifier|water purifier|chiller', { appliance: 'ro-dispenser' }],
  ['washer|washing machine|clothes washer|laundry|laundry machine|clothes washing machine|wash machine|front loader|top loader|washer dryer|w/m|laundry washer|clothes machine|front load washer|top load washer|stacked washer|commercial washer|washing machines|apartment washer', { appliance: 'washing-machine' }],
  ['tub|tub filler|bathtub|bath tub|tub spout|bath filler|tub faucet|freestanding tub filler|soaking tub|roman tub|bath mixer|bath tap|bath spout|floor mounted tub filler|standing tub filler|claw foot tub|clawfoot tub', { appliance: 'tub-filler' }],
  ['hydrant|frost free|frost-free|yard hydrant|hose hydrant|outside hydrant|outdoor hydrant|wall hydrant|freezeless|freeze proof|frost proof|frostproof|hydrant post|post hydrant|freezeproof|anti freeze hydrant|garden hydrant', { appliance: 'hydrant' }],
  ['gas|csst|yellow|propane|natural gas|lp|lpg|gas line|gas pipe|gas flex', {}],
  // Said along with an end, and nothing more.
  ['in|inch|inches|size|sized|thread|threads|threaded|pipe|fitting|adapter|adaptor|supply|line|angle|straight|elbow|ell|tee|coupling|couple|coupler|end|side|hot|cold|water|x|the|a|an|my|on|of|with|this|that|for|from|to|it|is|standard|regular|old|new|existing|under|copper sweat tee|kitchen|bathroom|bath|connect|connection|braided|flex|flexible|rigid|cap|plug|stub|rough|iso|type|out|off|wall|floor|main|cabinet|close|unef|un|quarter turn|quarter-turn|multi turn|dual|single|left|right|upper|lower|lever|chrome plated|lead free', {}],
];

let made: ReadonlyMap<string, Phrase> | null = null;

/** Every phrase by its words; put together when the first is asked for. */
export function phrases(): ReadonlyMap<string, Phrase> {
  made ??= new Map(ROWS.flatMap(([words, says]) => words.split('|').map((w) => [w, { words: w, ...says }] as const)));
  return made;
}

/** Every word of the trade, and whether it names an end or an appliance. */
export function vocabularyWords(): Map<string, boolean> {
  const out = new Map<string, boolean>();
  for (const [words, phrase] of phrases()) {
    const isNaming = phrase.names !== undefined || phrase.appliance !== undefined;
    for (const word of words.split(/[ -]/)) out.set(word, (out.get(word) ?? false) || isNaming);
  }
  return out;
}

/** A word still being typed counts from its second letter on: the first of the table that begins so. */
export function begunWord(word: string): Phrase | undefined {
  if (word.length < 2) return undefined;
  for (const [words, phrase] of phrases()) if (words.startsWith(word)) return phrase;
  return undefined;
}

/** What a phrase of the trade says, in its lower-case words: with hyphens or none, one or several of it. */
export function tradePhrase(words: string): Phrase | undefined {
  const known = phrases().get(words) ?? phrases().get(words.replaceAll('-', ' '));
  return known ?? (/[a-z]{3}s$/.test(words) ? phrases().get(words.slice(0, -1)) : undefined);
}
