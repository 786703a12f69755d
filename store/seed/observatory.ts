/** The demo's premises: an observatory on a hilltop with its lodge. All invented. */
import type { WorkKindId } from '../../core/index.ts';
import type { Bodies } from '../../record/index.ts';

export interface DemoRun {
  key: string;
  name: string;
  water: 'cold' | 'hot';
  from: string;
  to: string;
  rejoin?: string;
  inches: number | null;
  stop: Bodies['stop-tried'];
  ownStop?: boolean;
  arrestor?: boolean;
  /** Left out: what is usually done to such an appliance. */
  work?: WorkKindId;
}

export interface DemoAppliance {
  key: string;
  place: string;
  kind: string;
  name: string;
  runs: DemoRun[];
}

/** The shop that looks after it; prices are invented. */
export const SHOP = {
  name: 'Summit Road Service Plumbing',
  address: 'Workshop behind the lodge, Quillback Hill',
  phone: '555 0100',
  minuteCents: 150,
  calloutCents: 4500,
  taxPercent: 8.25,
};

export const PREMISES = {
  key: 'premises',
  name: 'Quillback Hill Observatory',
  address: 'Quillback Hill, at the end of the summit road',
  access: 'Keys of the old wing hang in the control room. The dome crew sleeps until noon: no lights on the summit road after dusk.',
  quiet: { from: '21:00', to: '07:30' },
  contact: { name: 'The house keeper on duty', phone: '555 0142', note: 'Ring twice: the telephone stands in the lodge.' },
};

const quarter = { kind: 'quarter-turn', condition: 'works' } as const;
const worn = { kind: 'multi-turn', condition: 'weeps' } as const;
const none = { kind: 'none', condition: 'unknown' } as const;

const run = (
  key: string,
  name: string,
  water: 'cold' | 'hot',
  from: string,
  to: string,
  inches: number | null,
  more: Partial<DemoRun> = {},
): DemoRun => ({
  key,
  name,
  water,
  from,
  to,
  inches,
  stop: quarter,
  ...more,
});

const toilet = (key: string, place: string, name: string, inches: number, more: Partial<DemoRun> = {}): DemoAppliance => ({
  key,
  place,
  kind: 'toilet',
  name,
  runs: [run(`${key}-c`, name, 'cold', 'comp-3/8-m', 'bc-7/8-m', inches, more)],
});

const basin = (key: string, place: string, name: string, inches: number): DemoAppliance => ({
  key,
  place,
  kind: 'basin-faucet',
  name,
  runs: [
    run(`${key}-c`, `${name}, cold`, 'cold', 'comp-3/8-m', 'npsm-1/2-m', inches),
    run(`${key}-h`, `${name}, hot`, 'hot', 'comp-3/8-m', 'npsm-1/2-m', inches),
  ],
});

export const APPLIANCES: DemoAppliance[] = [
  {
    key: 'sink',
    place: 'Canteen kitchen',
    kind: 'kitchen-faucet',
    name: 'Canteen sink',
    runs: [
      run('sink-c', 'Canteen sink, cold', 'cold', 'comp-3/8-m', 'npsm-1/2-m', 18),
      run('sink-h', 'Canteen sink, hot', 'hot', 'comp-3/8-m', 'npsm-1/2-m', 18),
    ],
  },
  {
    key: 'ice',
    place: 'Canteen kitchen',
    kind: 'ice-maker',
    name: 'Ice maker',
    runs: [run('ice-c', 'Ice maker', 'cold', 'comp-3/8-m', 'comp-1/4-m:plastic', 55)],
  },
  {
    key: 'dish',
    place: 'Canteen kitchen',
    kind: 'dishwasher',
    name: 'Canteen dishwasher',
    runs: [run('dish-h', 'Dishwasher, hot', 'hot', 'comp-3/8-m', 'ght-3/4-m:plastic', 52, { arrestor: true })],
  },
  {
    key: 'rinse',
    place: 'Canteen kitchen',
    kind: 'glass-rinser',
    name: 'Glass rinser',
    runs: [run('rinse-c', 'Glass rinser', 'cold', 'comp-3/8-m', 'ptc-1/4od', 40)],
  },
  {
    key: 'brew',
    place: 'Control room',
    kind: 'brewer',
    name: 'Control-room brewer',
    runs: [run('brew-c', 'Brewer', 'cold', 'cu-5/8od', 'ptc-1/4od', 72, { stop: none, ownStop: true })],
  },
  {
    key: 'fridge',
    place: "Director's flat",
    kind: 'refrigerator',
    name: 'Flat refrigerator',
    runs: [run('fridge-c', 'Refrigerator', 'cold', 'comp-3/8-m', 'comp-1/4-m', 60, { work: 'refrigerator-stop' })],
  },
  toilet('flat-wc', "Director's flat", 'Flat toilet', 10),
  toilet('guest1-wc', 'Guest room 1', 'Guest 1 toilet', 11),
  basin('guest1-basin', 'Guest room 1', 'Guest 1 basin', 14),
  {
    key: 'guest2-bidet',
    place: 'Guest room 2',
    kind: 'bidet-seat',
    name: 'Guest 2 bidet seat',
    runs: [run('guest2-bidet-c', 'Guest 2 bidet seat', 'cold', 'bc-7/8-f', 'g-1/2-m', 14, { rejoin: 'bc-7/8-m' })],
  },
  basin('guest2-basin', 'Guest room 2', 'Guest 2 basin', 14),
  {
    key: 'visit-ro',
    place: 'Visitor centre',
    kind: 'ro-dispenser',
    name: 'Drinking tap',
    runs: [run('visit-ro-c', 'Drinking tap', 'cold', 'pe-3/8od', 'ptc-1/4od', 48, { stop: none })],
  },
  toilet('visit-wc', 'Visitor centre', 'Visitor toilet', 10),
  {
    key: 'washer',
    place: 'Laundry',
    kind: 'washing-machine',
    name: 'Lodge washer',
    runs: [
      run('washer-c', 'Lodge washer, cold', 'cold', 'ght-3/4-m', 'ght-3/4-m:plastic', 50, { arrestor: true }),
      run('washer-h', 'Lodge washer, hot', 'hot', 'ght-3/4-m', 'ght-3/4-m:plastic', 50, { arrestor: true }),
    ],
  },
  {
    key: 'yard',
    place: 'Workshop yard',
    kind: 'hydrant',
    name: 'Yard hydrant',
    runs: [run('yard-c', 'Yard hydrant', 'cold', 'cu-5/8od', 'npt-1/2-m', null, { stop: { kind: 'gate', condition: 'works' } })],
  },
  toilet('old-wc', 'Old wing', 'Old wing toilet', 12, { from: 'npt-1/2-m', stop: none, ownStop: true }),
  basin('old-basin', 'Old wing', 'Old wing basin', 16),
];
APPLIANCES.at(-1)!.runs.forEach((r) => {
  r.stop = worn;
});

/** How far a run of the demo has come. */
export type Progress = 'new' | 'looked' | 'matched' | 'shut' | 'half made' | 'proving' | 'damp' | 'proven' | 'signed off';

export interface DemoVisit {
  slot: string;
  /** Days from today. */
  day: number;
  startsAt: string;
  title: string;
  runs: [key: string, progress: Progress][];
}

/** The visits around today; when the demo is opened again on another day, those of that day and the next are added. */
export const VISITS: DemoVisit[] = [
  {
    slot: 'lodge',
    day: -1,
    startsAt: '10:00',
    title: 'Guest room 1 and laundry',
    runs: [
      ['guest1-wc-c', 'signed off'],
      ['washer-c', 'signed off'],
      ['washer-h', 'signed off'],
    ],
  },
  {
    slot: 'kitchen',
    day: 0,
    startsAt: '08:30',
    title: 'Canteen kitchen',
    runs: [
      ['sink-c', 'proven'],
      ['sink-h', 'proving'],
      ['ice-c', 'damp'],
      ['dish-h', 'matched'],
      ['rinse-c', 'new'],
    ],
  },
  {
    slot: 'flat',
    day: 0,
    startsAt: '13:00',
    title: "Director's flat",
    runs: [
      ['fridge-c', 'new'],
      ['flat-wc-c', 'half made'],
    ],
  },
  {
    slot: 'control',
    day: 0,
    startsAt: '15:30',
    title: 'Control-room brewer',
    runs: [
      ['brew-c', 'looked'],
      ['visit-ro-c', 'shut'],
    ],
  },
  {
    slot: 'guests',
    day: 1,
    startsAt: '09:00',
    title: 'Guest rooms',
    runs: [
      ['guest1-basin-c', 'looked'],
      ['guest1-basin-h', 'looked'],
      ['guest2-bidet-c', 'matched'],
      ['guest2-basin-c', 'new'],
      ['guest2-basin-h', 'new'],
    ],
  },
  {
    slot: 'old-wing',
    day: 1,
    startsAt: '14:00',
    title: 'Old wing: worn stops',
    runs: [
      ['old-wc-c', 'new'],
      ['old-basin-c', 'new'],
      ['old-basin-h', 'new'],
      ['yard-c', 'new'],
    ],
  },
];
