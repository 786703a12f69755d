/** What is asked of a line, as it is typed and as an address has it; and the same as the core takes it. */
import {
  type Appliance,
  CHAMBER_STATES,
  type ChamberState,
  CLOSING_LAWS,
  type ClosingLaw,
  curveOf,
  type FlowLine,
  fitSupply,
  hosePieces,
  InputError,
  type LinePiece,
  type LossRow,
  linePieces,
  type Part,
  type PathStep,
  type Reason,
  readLengthIn,
  readPressurePsi,
  readTyped,
  type Tube,
  type Typed,
  tubeById,
  tubeName,
  tubePiece,
  USUAL_F,
  usualPiece,
} from '../../../core/index.ts';

/** Every field as typed; '' is not said. */
export interface Setting {
  /** Id in appliances.csv. */
  on: string;
  water: 'cold' | 'hot';
  /** Standing, and while something runs: a bare figure is psi. */
  psi: string;
  running: string;
  /** What ran then: a bare figure is gpm. */
  runningGpm: string;
  /** A third reading, at another flow: it tells whether the first two tell the main. */
  again: string;
  againGpm: string;
  regulator: string;
  /** Of the inlet above where the gauge was read: a bare figure is feet. */
  rise: string;
  /** The house's pipe from the gauge to the stop: id in tubes.csv, and its length. */
  house: string;
  houseFt: string;
  /** Row of losses. */
  stop: string;
  /** Tube or hose to the appliance, and its length. */
  line: string;
  lineLength: string;
  /** 'part~outEnd~cutLength', in the order of the water; in place of stop and line. */
  chain: string;
  /** More appliances open at once on the house's pipe: ids. */
  also: string;
  /** How its valve shuts: milliseconds, and by which law. */
  close: string;
  law: ClosingLaw;
  /** What runs before it shuts; '' as the line gives. */
  gpm: string;
  cushion: 'none' | 'arrestor' | 'chamber';
  /** Of its gas (of an air chamber: of the empty stub): a bare figure is cubic inches; and its precharge. */
  volume: string;
  precharge: string;
  /** Whether its piston comes to a stop on the way back. */
  piston: 'rides' | 'stops';
  chamber: ChamberState;
  /** From the valve back along the line. */
  cushionFt: string;
  /** Fixture units of what hangs on the branch; '' one appliance alone. */
  units: string;
  visit: string;
  run: string;
}

export type ApplianceFacts = Pick<
  Appliance,
  'id' | 'name' | 'water' | 'designGpm' | 'capGpm' | 'minFlowPsi' | 'maxStaticPsi' | 'typicalVolumeGal' | 'closesMs' | 'usualLine'
>;

export function usualSetting({ id: on, closesMs, usualLine }: Pick<ApplianceFacts, 'id' | 'closesMs' | 'usualLine'>): Setting {
  const { stop, tube: line } = usualLine;
  const lineLength = String(usualLine.lengthIn);
  return {
    on,
    water: 'cold',
    psi: '60',
    running: '',
    runningGpm: '',
    again: '',
    againGpm: '',
    regulator: '',
    rise: '3',
    house: 'cu-5/8od',
    houseFt: '30',
    stop,
    line,
    lineLength,
    chain: '',
    also: '',
    close: String(closesMs),
    law: 'late',
    gpm: '',
    cushion: 'none',
    volume: '3',
    precharge: '60',
    piston: 'rides',
    chamber: 'fresh',
    cushionFt: '0',
    units: '',
    visit: '',
    run: '',
  };
}

/** The same, of the water it takes. */
const usualOf = (appliance: Pick<ApplianceFacts, 'id' | 'closesMs' | 'usualLine' | 'water'>): Setting => ({
  ...usualSetting(appliance),
  water: appliance.water[0] ?? 'cold',
});

/** What the address says, over what is usual for its appliance. */
export function settingOf(asked: Record<string, string>, appliances: readonly ApplianceFacts[]): Setting {
  const appliance = appliances.find((a) => a.id === asked.on) ?? appliances.find((a) => a.id === 'refrigerator') ?? appliances[0]!;
  const usual = usualOf(appliance);
  const given = Object.fromEntries(Object.entries(asked).filter(([key]) => key in usual && key !== 'on'));
  const setting: Setting = { ...usual, ...given };
  const oneOf = <T extends string>(list: readonly T[], value: string, otherwise: T): T =>
    (list as readonly string[]).includes(value) ? (value as T) : otherwise;
  return {
    ...setting,
    water: oneOf(['cold', 'hot'], setting.water, 'cold'),
    law: oneOf(CLOSING_LAWS, setting.law, 'late'),
    cushion: oneOf(['none', 'arrestor', 'chamber'], setting.cushion, 'none'),
    piston: oneOf(['rides', 'stops'], setting.piston, 'rides'),
    chamber: oneOf(Object.keys(CHAMBER_STATES) as ChamberState[], setting.chamber, 'fresh'),
  };
}

/** The address of a setting: only what is not as usual for its appliance. */
export function settingQuery(s: Setting, appliances: readonly Pick<ApplianceFacts, 'id' | 'closesMs' | 'usualLine' | 'water'>[]): string {
  const appliance = appliances.find((a) => a.id === s.on);
  const usual = appliance && usualOf(appliance);
  return new URLSearchParams(Object.entries(s).filter(([key, value]) => key === 'on' || value !== usual?.[key as keyof Setting])).toString();
}

/** A chain as an address has it. */
export const chainText = (path: readonly PathStep[]): string =>
  path.map((s) => [s.part, s.outEnd, ...(s.cutLengthIn === undefined ? [] : [Number(s.cutLengthIn.toFixed(2))])].join('~')).join(',');

export function chainPath(text: string): PathStep[] {
  return text
    .split(',')
    .filter(Boolean)
    .slice(0, 20)
    .map((step) => {
      const [part = '', outEnd = '', cut] = step.split('~');
      return { part, outEnd, ...(cut === undefined || !Number.isFinite(Number(cut)) ? {} : { cutLengthIn: Number(cut) }) };
    });
}

/** What the core calls the fields of this page. */
const LABELS: Record<string, string> = {
  sourcePsi: 'Pressure standing',
  'running.psi': 'Pressure running',
  'running.gpm': 'Flow then',
  'readings.psi': 'Pressure running',
  'readings.gpm': 'Flow then',
  readings: 'Pressure running',
  regulatorPsi: 'Regulator',
  riseFt: 'Inlet higher by, feet',
  'pieces.lengthIn': 'Length, inches',
  'pipes.lengthFt': 'Length, feet',
  closeMs: 'It shuts in, milliseconds',
  gpm: 'Flow before it shuts, gpm',
  staticPsi: 'Pressure standing',
  'cushion.volumeIn3': 'Gas in it, cubic inches',
  'cushion.prechargePsi': 'Precharge, psi',
  cushionFt: 'From the valve back, feet',
  fixtureUnits: 'Fixture units',
  branchFt: 'Length of the branch, feet',
  'tank.shellGal': 'Tank, gallons',
  'tank.prechargePsi': 'Air in it, psi',
  'tank.fullPsi': 'Full at, psi',
};

/** What the core says against a field, by the field's name on the page. */
export const inWords = (message: string): string => message.replace(/^[\w.[\]]+(?=: )/, (field) => LABELS[field.replace(/\[\d+\]/g, '')] ?? field);

export interface ReadSetting {
  appliance: ApplianceFacts;
  line: Omit<FlowLine, 'pieces'>;
  /** The house's pipe first. */
  pieces: LinePiece[];
  /** How many of them are the house's. */
  housePieces: number;
  /** What the readings of the main say against one another. */
  bent: Reason | null;
  also: ApplianceFacts[];
}

/** What does not read, in words, or what the core is asked. */
export type Reading = { read: ReadSetting; wrong: '' } | { read: null; wrong: string };

const READS: Record<Typed, string> = {
  feet: 'A length as 30 ft or 9 m.',
  flow: 'A flow as 2 gpm or 7.5 L/min.',
  gas: 'A volume as 3 cu in or 50 mL.',
  gallons: 'A volume as 4 gal or 15 L.',
};

/** @throws InputError */
export function typedFigure(of: Typed, name: string, text: string): number {
  const value = readTyped(of, text);
  if (value === null) throw new InputError(name, text, READS[of]);
  return value;
}

/** @throws InputError */
export function psiOf(name: string, text: string): number {
  const psi = readPressurePsi(text);
  if (psi === null) throw new InputError(name, text, 'A pressure as 60, 60 psi or 4 bar.');
  return psi;
}

function inchesOf(name: string, text: string): number {
  const inches = readLengthIn(text);
  if (inches === null) throw new InputError(name, text, 'A length as 20, 6 ft or 150 cm.');
  return inches;
}

/** @param parts the catalogue's, where a chain is asked; none yet where they are still on their way */
export function readSetting(s: Setting, appliances: readonly ApplianceFacts[], losses: readonly LossRow[], parts: readonly Part[]): Reading {
  const appliance = appliances.find((a) => a.id === s.on);
  if (!appliance) return { read: null, wrong: 'Choose an appliance.' };
  try {
    const house = s.house ? tubeNamed('House’s pipe', s.house) : undefined;
    const housePieces = house ? [{ ...tubePiece(house, houseFt(s.houseFt) * 12), name: `house’s ${tubeName(house)}` }] : [];
    const { supply, bent } = supplyOf(s);
    return {
      read: {
        appliance,
        line: {
          ...supply,
          ...(s.regulator ? { regulatorPsi: psiOf('Regulator', s.regulator) } : {}),
          tempF: USUAL_F[s.water],
          riseFt: s.rise.trim() === '' ? 0 : typedFigure('feet', 'Inlet higher by', s.rise),
          appliance: curveOf(appliance),
        },
        pieces: [...housePieces, ...(s.chain ? chainPieces(s.chain, parts, losses) : madePieces(s, losses))],
        housePieces: housePieces.length,
        bent,
        also: s.also.split(',').flatMap((id) => appliances.find((a) => a.id === id) ?? []),
      },
      wrong: '',
    };
  } catch (fault) {
    if (fault instanceof InputError) return { read: null, wrong: fault.message };
    throw fault;
  }
}

/** Of an address: what is chosen on the page is there. */
function tubeNamed(name: string, id: string): Tube {
  const tube = tubeById(id);
  if (!tube) throw new InputError(name, id, 'Choose one of the list.');
  return tube;
}

function houseFt(text: string): number {
  const ft = typedFigure('feet', 'House pipe', text);
  if (ft < 0) throw new InputError('House pipe', text, READS.feet);
  return ft;
}

/** The main by what was read of it: standing alone, and while one flow ran, or two. */
function supplyOf(s: Setting): { supply: Pick<FlowLine, 'sourcePsi' | 'running'>; bent: Reason | null } {
  const sourcePsi = psiOf('Pressure standing', s.psi);
  const pairs = [
    ['Pressure running', s.running, 'Flow then', s.runningGpm],
    ['Pressure once more', s.again, 'At another flow', s.againGpm],
  ] as const;
  const ran = pairs.flatMap(([name, psi, flowName, gpm]) =>
    psi === '' || gpm === '' ? [] : [{ psi: psiOf(name, psi), gpm: typedFigure('flow', flowName, gpm) }],
  );
  if (ran.length < 2) return { supply: { sourcePsi, ...(ran[0] ? { running: ran[0] } : {}) }, bent: null };
  const { supply, because } = fitSupply([{ gpm: 0, psi: sourcePsi }, ...ran]);
  return { supply, bent: because.find((r) => r.rule === 'supply-bent') ?? null };
}

/** @throws InputError for a part that the catalogue has no more */
function chainPieces(chain: string, parts: readonly Part[], losses: readonly LossRow[]): LinePiece[] {
  const path = chainPath(chain);
  const missing = path.find((step) => !parts.some((p) => p.id === step.part));
  if (missing) throw new InputError('Chain', missing.part, 'The catalogue has no such part: try another stop and line.');
  return linePieces(path, parts, losses);
}

/** A stop and a line as they were chosen. */
function madePieces(s: Setting, losses: readonly LossRow[]): LinePiece[] {
  const row = losses.find((r) => r.id === s.stop);
  if (s.stop && !row) throw new InputError('Stop', s.stop, 'Choose one of the list.');
  const stop = row ? [{ ...usualPiece(row), part: 0 }] : [];
  if (!s.line) return stop;
  const tube = tubeNamed('Line', s.line);
  const lengthIn = inchesOf('Line', s.lineLength);
  return [...stop, ...(tube.material === 'braided' ? hosePieces(tube, lengthIn, 1) : [tubePiece(tube, lengthIn, 1)])];
}
