/** The register of screens: menu, keys, the sheet of keys, what is kept for use without a connection, and the tests of access and size follow it. */
export type ScreenId =
  | 'day'
  | 'week'
  | 'call'
  | 'start'
  | 'premises'
  | 'water'
  | 'places'
  | 'match'
  | 'gauge'
  | 'reach'
  | 'flow'
  | 'hammer'
  | 'stock'
  | 'shop'
  | 'parts'
  | 'rules'
  | 'ledger'
  | 'due'
  | 'callbacks'
  | 'ends'
  | 'visit'
  | 'unsent';

export interface Screen {
  id: ScreenId;
  /** Address of the screen by itself: also what is kept of it for use without a connection. */
  path: string;
  name: string;
  /** What it is, in the sheet of keys. */
  what: string;
  inMenu: boolean;
  /** Without a connection the kept page opens every address that begins so. */
  opens?: string;
  /** The screen of the menu that it is a side of. */
  within?: ScreenId;
  /** Opens it after `g`. */
  key?: string;
  /** Its own keys, and what they do. */
  keys: { keys: string[]; what: string }[];
}

/** In place of a visit's id: the page that opens any visit this device holds. */
export const KEPT_VISIT = 'kept';

export const SCREENS: readonly Screen[] = [
  { id: 'day', path: '/', name: 'Day', what: 'Day sheet', inMenu: true, key: 'd', keys: [] },
  { id: 'week', path: '/week', name: 'Week', what: 'The week', inMenu: false, key: 'w', keys: [{ keys: ['␣'], what: 'On a visit: take it up, arrows move it, Enter keeps it' }, { keys: ['t'], what: 'This week' }] },
  { id: 'start', path: '/start', name: 'Start', what: 'Start work here', inMenu: false, key: 's', keys: [] },
  { id: 'places', path: '/premises', name: 'Places', what: 'Premises', inMenu: true, key: 'h', keys: [] },
  { id: 'premises', path: `/premises/${KEPT_VISIT}`, opens: '/premises/', name: 'Premises', what: 'A premises', inMenu: false, keys: [] },
  { id: 'water', path: '/water', name: 'Water', what: 'Which water goes off', inMenu: false, keys: [] },
  { id: 'call', path: '/call', name: 'Call', what: 'Take a call', inMenu: true, key: 'c', keys: [{ keys: ['Ctrl', '⏎'], what: 'Book it' }] },
  { id: 'match', path: '/match', name: 'Match', what: 'Match bench', inMenu: true, key: 'm', keys: [] },
  { id: 'gauge', path: '/gauge', name: 'Gauge', what: 'Thread gauge', inMenu: true, key: 't', keys: [] },
  { id: 'reach', path: '/reach', name: 'Reach', what: 'How long a line', inMenu: false, key: 'a', keys: [{ keys: ['←', '→', '↑', '↓'], what: 'On a ring: move that end by an eighth, with Shift by an inch' }] },
  { id: 'flow', path: '/flow', name: 'Flow', what: 'What reaches the appliance', inMenu: true, key: 'f', keys: [] },
  { id: 'hammer', path: '/hammer', name: 'Hammer', what: 'What bangs when it shuts', inMenu: false, within: 'flow', key: 'v', keys: [] },
  { id: 'stock', path: '/stock', name: 'Stock', what: 'Stock', inMenu: true, key: 'k', keys: [] },
  { id: 'parts', path: '/parts', name: 'Parts', what: 'Parts', inMenu: false, key: 'p', keys: [] },
  { id: 'rules', path: '/rules', name: 'Rules', what: 'House rules', inMenu: true, key: 'r', keys: [] },
  { id: 'ledger', path: '/ledger', name: 'Ledger', what: 'Ledger', inMenu: true, key: 'l', keys: [] },
  { id: 'due', path: '/due', name: 'Due', what: 'What is due', inMenu: false, within: 'ledger', key: 'o', keys: [] },
  { id: 'callbacks', path: '/callbacks', name: 'Callbacks', what: 'What keeps leaking', inMenu: false, within: 'ledger', key: 'q', keys: [] },
  { id: 'shop', path: '/shop', name: 'Shop', what: 'The shop itself', inMenu: true, key: 'b', keys: [] },
  { id: 'ends', path: '/ends', name: 'Ends', what: 'Ends by their drawings', inMenu: false, key: 'e', keys: [] },
  {
    id: 'visit',
    path: `/visits/${KEPT_VISIT}`,
    opens: '/visits/',
    name: 'Visit',
    what: 'A visit',
    inMenu: false,
    keys: [
      { keys: ['Alt', '1–6'], what: 'Look, Match, Shut, Make, Prove, Log' },
      { keys: ['h'], what: 'What happened here' },
      { keys: ['b'], what: 'In Prove: begin the look' },
      { keys: ['1–4'], what: 'While looking: dry, damp, drip, running (also d w p r)' },
      { keys: ['←', '→'], what: 'On the stages: the one before, the one after' },
    ],
  },
  { id: 'unsent', path: '/unsent', name: 'Unsent', what: 'What is kept here and not sent', inMenu: false, key: 'u', keys: [] },
]; // biome-ignore format: a table

/** Keys that work on every screen. */
export const EVERYWHERE: Screen['keys'] = [
  { keys: ['/'], what: 'Quick match, or find anything' },
  { keys: ['c'], what: 'Take a call' },
  { keys: ['z'], what: 'Take back what was just pressed' },
  { keys: ['n'], what: 'Dark sheet, for under the sink' },
  { keys: ['u'], what: 'Inches and psi, or millimetres and bar' },
  { keys: ['?'], what: 'This sheet' },
];
