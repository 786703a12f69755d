/** The water of the demo's premises: a well with its pressure tank, three levels, two heaters, a loop that keeps the lodge's hot water moving. All invented. */
import type { NetPlace, NetValve } from '../../core/index.ts';
import type { WaterThing } from '../../record/index.ts';
import { APPLIANCES } from './observatory.ts';

type Water = 'cold' | 'hot';
type Valve = [kind: NetValve['kind'], condition: NetValve['condition']];

/** What hangs on the water besides what the book looks after. */
const MORE: { place: string; name: string; water: Water; upFt: number; stop?: Valve }[] = [
  { place: 'Canteen kitchen', name: 'Hand basin, cold', water: 'cold', upFt: 2, stop: ['quarter-turn', 'works'] },
  { place: 'Canteen kitchen', name: 'Hand basin, hot', water: 'hot', upFt: 2, stop: ['quarter-turn', 'works'] },
  { place: 'Canteen kitchen', name: 'Steam oven', water: 'cold', upFt: 3, stop: ['quarter-turn', 'unknown'] },
  { place: 'Canteen kitchen', name: 'Canteen hose tap', water: 'cold', upFt: 1, stop: ['gate', 'weeps'] },
  { place: 'Canteen kitchen', name: 'Pot filler', water: 'cold', upFt: 4, stop: ['multi-turn', 'unknown'] },
  { place: 'Control room', name: 'Control basin, cold', water: 'cold', upFt: 2, stop: ['multi-turn', 'works'] },
  { place: 'Control room', name: 'Control basin, hot', water: 'hot', upFt: 2, stop: ['multi-turn', 'seized-open'] },
  { place: "Director's flat", name: 'Flat basin, cold', water: 'cold', upFt: 2, stop: ['quarter-turn', 'works'] },
  { place: "Director's flat", name: 'Flat basin, hot', water: 'hot', upFt: 2, stop: ['quarter-turn', 'works'] },
  { place: "Director's flat", name: 'Flat sink, cold', water: 'cold', upFt: 2, stop: ['multi-turn', 'passes'] },
  { place: "Director's flat", name: 'Flat sink, hot', water: 'hot', upFt: 2, stop: ['multi-turn', 'works'] },
  { place: "Director's flat", name: 'Flat dishwasher', water: 'hot', upFt: 1, stop: ['quarter-turn', 'works'] },
  { place: 'Guest room 2', name: 'Guest 2 toilet', water: 'cold', upFt: 1, stop: ['multi-turn', 'passes'] },
  ...[3, 4].flatMap((n) => [
    {
      place: `Guest room ${n}`,
      name: `Guest ${n} toilet`,
      water: 'cold' as const,
      upFt: 1,
      stop: ['quarter-turn', n === 3 ? 'works' : 'broken'] as Valve,
    },
    { place: `Guest room ${n}`, name: `Guest ${n} basin, cold`, water: 'cold' as const, upFt: 2, stop: ['quarter-turn', 'works'] as Valve },
    { place: `Guest room ${n}`, name: `Guest ${n} basin, hot`, water: 'hot' as const, upFt: 2, stop: ['quarter-turn', 'unknown'] as Valve },
  ]),
  { place: 'Visitor centre', name: 'Visitor toilet 2', water: 'cold', upFt: 1, stop: ['quarter-turn', 'works'] },
  { place: 'Visitor centre', name: 'Visitor toilet 3', water: 'cold', upFt: 1, stop: ['quarter-turn', 'unknown'] },
  { place: 'Visitor centre', name: 'Urinal', water: 'cold', upFt: 3, stop: ['multi-turn', 'seized-open'] },
  { place: 'Visitor centre', name: 'Visitor basin, cold', water: 'cold', upFt: 2, stop: ['quarter-turn', 'works'] },
  { place: 'Visitor centre', name: 'Visitor basin, hot', water: 'hot', upFt: 2, stop: ['quarter-turn', 'works'] },
  { place: 'Visitor centre', name: 'Drinking fountain', water: 'cold', upFt: 3, stop: ['quarter-turn', 'works'] },
  { place: 'Laundry', name: 'Second washer, cold', water: 'cold', upFt: 3, stop: ['gate', 'works'] },
  { place: 'Laundry', name: 'Second washer, hot', water: 'hot', upFt: 3, stop: ['gate', 'seized-open'] },
  { place: 'Laundry', name: 'Tub, cold', water: 'cold', upFt: 3, stop: ['multi-turn', 'works'] },
  { place: 'Laundry', name: 'Tub, hot', water: 'hot', upFt: 3, stop: ['multi-turn', 'weeps'] },
  { place: 'Laundry', name: 'Cellar drain cock', water: 'cold', upFt: 0, stop: ['quarter-turn', 'works'] },
  { place: 'Control room', name: 'Eyewash', water: 'cold', upFt: 3, stop: ['quarter-turn', 'works'] },
  { place: 'Control room', name: 'Humidifier of the dome', water: 'cold', upFt: 4, stop: ['saddle', 'weeps'] },
  { place: 'Control room', name: 'Control toilet', water: 'cold', upFt: 1, stop: ['multi-turn', 'works'] },
  { place: 'Guest room 3', name: 'Guest 3 bidet seat', water: 'cold', upFt: 1, stop: ['quarter-turn', 'works'] },
  { place: 'Old wing', name: 'Plate room sink, cold', water: 'cold', upFt: 2, stop: ['gate', 'works'] },
  { place: 'Old wing', name: 'Plate room sink, hot', water: 'hot', upFt: 2, stop: ['gate', 'works'] },
  { place: 'Workshop yard', name: 'Workshop sink, cold', water: 'cold', upFt: 2, stop: ['gate', 'unknown'] },
  { place: 'Workshop yard', name: 'Yard hose tap', water: 'cold', upFt: 2 },
  { place: 'Old wing', name: 'Darkroom sink, cold', water: 'cold', upFt: 2, stop: ['saddle', 'unknown'] },
  { place: 'Old wing', name: 'Darkroom sink, hot', water: 'hot', upFt: 2 },
  { place: 'Old wing', name: 'Old wing slop sink', water: 'cold', upFt: 2, stop: ['gate', 'seized-shut'] },
];

/** A room's showers: hot and cold meet in them. */
const SHOWERS = ['Guest room 1', 'Guest room 2', 'Guest room 3', 'Guest room 4', "Director's flat"];

/** Where each room's branches begin, and the valves on them; a branch without a valve of its own is as good as the one before it. */
const ROOMS: { place: string; floorFt: number; cold: [from: string, valve: Valve | null, ft: number]; hot?: [from: string, valve: Valve | null, ft: number] }[] = [
  { place: 'Canteen kitchen', floorFt: 0, cold: ['trunk east', ['quarter-turn', 'works'], 22], hot: ['canteen heater out', null, 14] },
  { place: 'Control room', floorFt: 0, cold: ['trunk east', ['gate', 'unknown'], 40], hot: ['canteen heater out', ['gate', 'weeps'], 46] },
  { place: 'Visitor centre', floorFt: 0, cold: ['trunk far', ['gate', 'works'], 65], hot: ['canteen heater out', ['multi-turn', 'unknown'], 70] },
  { place: 'Guest room 1', floorFt: 12, cold: ['riser cold', ['quarter-turn', 'works'], 12], hot: ['riser hot', ['quarter-turn', 'works'], 12] },
  { place: 'Guest room 2', floorFt: 12, cold: ['riser cold', null, 18], hot: ['riser hot', null, 18] },
  { place: 'Guest room 3', floorFt: 12, cold: ['riser cold', ['quarter-turn', 'unknown'], 26], hot: ['riser hot', ['quarter-turn', 'works'], 26] },
  { place: 'Guest room 4', floorFt: 12, cold: ['riser cold', ['quarter-turn', 'seized-open'], 34], hot: ['riser hot end', null, 6] },
  { place: "Director's flat", floorFt: 12, cold: ['flat riser', ['quarter-turn', 'works'], 20], hot: ['riser hot end', ['quarter-turn', 'unknown'], 24] },
  { place: 'Laundry', floorFt: -9, cold: ['trunk', ['gate', 'works'], 10], hot: ['lodge heater out', ['gate', 'weeps'], 10] },
  { place: 'Workshop yard', floorFt: 0, cold: ['trunk far', ['gate', 'seized-open'], 90] },
  { place: 'Old wing', floorFt: 0, cold: ['trunk', ['gate', 'passes'], 55], hot: ['lodge heater out', ['gate', 'unknown'], 55] },
]; // biome-ignore format: a table

/** @param idOf  id of a run of the demo by its key */
export function demoWater(idOf: (key: string) => string): WaterThing[] {
  const places: WaterThing[] = [];
  const pipes: WaterThing[] = [];
  const valves: WaterThing[] = [];
  const place = (id: string, kind: NetPlace['kind'], heightFt: number, name?: string, runId?: string) =>
    void places.push({ what: 'place', id, kind, heightFt, ...(name ? { name } : {}), ...(runId ? { runId } : {}) });
  const pipe = (a: string, b: string, lengthFt: number, boreIn: number, water: Water = 'cold') =>
    void pipes.push({ what: 'pipe', id: `${a} - ${b}`, a, b, boreIn, lengthFt, water });
  const valve = (a: string, b: string, [kind, condition]: Valve, name: string, runId?: string) =>
    void valves.push({ what: 'valve', id: name, a, b, kind, condition, name, ...(runId ? { runId } : {}) });

  places.push({ what: 'place', id: 'well', kind: 'source', heightFt: -9, name: 'Well pump', stands: 'well pump' });
  place('tank', 'tank', -9, 'Pressure tank');
  for (const id of ['well head', 'tank tee', 'tank neck', 'main in', 'main out', 'trunk']) place(id, 'junction', -4);
  pipe('well', 'well head', 30, 1.025);
  valve('well head', 'tank tee', ['check', 'works'], 'Check valve of the well');
  pipe('tank', 'tank neck', 3, 1.025);
  valve('tank neck', 'tank tee', ['quarter-turn', 'works'], 'Tank valve');
  pipe('tank tee', 'main in', 4, 1.025);
  valve('main in', 'main out', ['gate', 'works'], 'Main valve');
  pipe('main out', 'trunk', 12, 1.025);

  const heightOf = (id: string) => (places.find((p) => p.id === id) as { heightFt: number }).heightFt;
  /** From one place to the next; its valve stands where it begins. */
  const branch = (from: string, id: string, ft: number, bore: number, by: Valve | null, name: string, water: Water, heightFt: number) => {
    if (by !== null) {
      place(`${id} in`, 'junction', heightOf(from));
      place(`${id} foot`, 'junction', heightOf(from));
      pipe(from, `${id} in`, 3, bore, water);
      valve(`${id} in`, `${id} foot`, by, name);
    }
    place(id, 'junction', heightFt);
    pipe(by === null ? from : `${id} foot`, id, ft, bore, water);
  };
  const heater = (key: string, name: string, from: string, gate: Valve) => {
    branch(from, `${key} cold`, 6, 0.785, gate, `${name}, cold valve`, 'cold', -4);
    place(key, 'heater', -7, name);
    pipe(`${key} cold`, key, 5, 0.785);
    branch(key, `${key} out`, 5, 0.785, ['quarter-turn', 'unknown'], `${name}, hot valve`, 'hot', -4);
  };
  branch('trunk', 'trunk east', 30, 1.025, ['gate', 'works'], 'East trunk valve', 'cold', -4);
  branch('trunk east', 'trunk far', 45, 0.785, ['gate', 'seized-open'], 'Far trunk valve', 'cold', -4);
  heater('lodge heater', 'Lodge heater', 'trunk', ['quarter-turn', 'works']);
  heater('canteen heater', 'Canteen heater', 'trunk east', ['gate', 'weeps']);
  branch('trunk', 'riser cold', 20, 0.785, ['quarter-turn', 'works'], 'Lodge riser, cold', 'cold', 12);
  branch('trunk', 'flat riser', 24, 0.785, null, '', 'cold', 12);
  branch('lodge heater out', 'riser hot', 20, 0.785, ['quarter-turn', 'works'], 'Lodge riser, hot', 'hot', 12);
  pipe('riser hot', 'riser hot end', 30, 0.545, 'hot');
  place('riser hot end', 'junction', 12);
  // What keeps the hot water moving: from the far end back to the heater, by its pump.
  places.push({ what: 'place', id: 'return pump', kind: 'junction', heightFt: -4, name: 'Return pump', stands: 'recirculation pump' });
  place('return foot', 'junction', -4);
  pipe('riser hot end', 'return pump', 50, 0.43, 'hot');
  valve('return pump', 'return foot', ['quarter-turn', 'unknown'], 'Return valve');
  pipe('return foot', 'lodge heater', 8, 0.43, 'hot');

  for (const room of ROOMS) {
    for (const water of ['cold', 'hot'] as const) {
      const from = room[water];
      if (from)
        branch(from[0], `${room.place} ${water}`, from[2], water === 'cold' ? 0.785 : 0.545, from[1], `${room.place}, ${water}`, water, room.floorFt);
    }
  }
  const outlet = (room: string, name: string, water: Water, upFt: number, stop: Valve | undefined, runId?: string) => {
    const at = ROOMS.find((r) => r.place === room)!;
    const id = runId ? `run ${name}` : name;
    place(id, 'outlet', at.floorFt + upFt, name, runId);
    if (!stop) return pipe(`${room} ${water}`, id, 6, 0.43, water);
    place(`${id} stop`, 'junction', at.floorFt + 1);
    pipe(`${room} ${water}`, `${id} stop`, 5, 0.43, water);
    valve(`${id} stop`, id, stop, `${name}: stop`, runId);
  };
  for (const { place: room, name, water, upFt, stop } of MORE) outlet(room, name, water, upFt, stop);
  for (const { place: room, runs } of APPLIANCES) {
    for (const { key, name, water, stop } of runs)
      outlet(room, name, water, 2, stop.kind === 'none' ? undefined : [stop.kind, stop.condition], idOf(key));
  }
  for (const room of SHOWERS) {
    const id = `${room} shower`;
    place(id, 'mixer', 16, `${room}: shower`);
    for (const water of ['cold', 'hot'] as const) {
      const name = `${room}: shower, ${water}`;
      place(`${id} ${water}`, 'junction', 15);
      pipe(`${room} ${water}`, `${id} ${water}`, 8, 0.43, water);
      valve(`${id} ${water}`, id, ['quarter-turn', water === 'cold' ? 'works' : 'unknown'], name);
    }
  }
  return [...places, ...pipes, ...valves];
}
