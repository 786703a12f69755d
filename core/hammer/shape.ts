/** The question of a transient: a line from a supply whose pressure stays, with branches, to a valve that shuts. In the trade's units. */
export interface SurgePipe {
  boreIn: number;
  wallIn: number;
  lengthFt: number;
  modulusGpa: number;
  roughnessMm: number;
}

/** Gas that takes the water up. */
export interface Cushion {
  /** Of its gas at its precharge, cubic inches. */
  volumeIn3: number;
  /** Gauge, psi. */
  prechargePsi: number;
  /**
   * Its piston comes to a hard stop where the gas is as large as at its precharge, and rests there under that pressure: the line is then as stiff as
   * bare. Without, the gas keeps its law however low the pressure.
   */
  hasStop?: boolean;
}

/** How a valve shuts: its flow falls in a straight line; its opening does; or most of the flow stops late, as in a real one. */
export const CLOSING_LAWS = ['flow', 'area', 'late'] as const;
export type ClosingLaw = (typeof CLOSING_LAWS)[number];

/** A side line without flow: shut at its end. */
export interface SideLine {
  /** At the far end of this pipe of the main line, from 0. */
  after: number;
  pipes: SurgePipe[];
  /** At its shut end. */
  cushion?: Cushion;
}

export interface SurgeQuestion {
  /** Reservoir first. */
  pipes: SurgePipe[];
  /** Of the supply, gauge. */
  staticPsi: number;
  /** What runs before it shuts. */
  gpm: number;
  /** 0: at once. */
  closeMs: number;
  tempF: number;
  /** 'flow' unless given. */
  law?: ClosingLaw;
  /** At the valve, or where `cushionFt` says. */
  cushion?: Cushion;
  /** From the valve back along the line, ft; 0 unless given. */
  cushionFt?: number;
  branches?: SideLine[];
  /** How long it is followed. */
  seconds: number;
  /** Of the main line together; 120 unless given. */
  reaches?: number;
  /** What must not be passed; 150 unless given. */
  limitPsi?: number;
  /** Without friction: what closed forms are about. */
  isFrictionless?: boolean;
  /** Pictures of the pressure along the line; none unless given. */
  frames?: number;
}

export interface Surge {
  /** Highest at the valve, gauge. */
  peakPsi: number;
  /** What instant closure adds: rho a v. */
  joukowskyPsi: number;
  /** Of the pipe at the valve. */
  waveSpeedFtS: number;
  /** Somewhere it fell to the vapour's pressure: the column parted, and from there on the figures are a rough guide. */
  cavity: boolean;
  t: number[];
  /** At the valve, gauge. */
  psi: number[];
  /** At the valve while it ran. */
  runningPsi: number;
  /** Times that the valve's pressure rose past the limit. */
  timesOver: number;
  limitPsi: number;
  /** Along the main line, ft from the supply: highest and lowest there. */
  along: { ft: number; highPsi: number; lowPsi: number }[];
  /** The highest anywhere, branches too. */
  worst: { psi: number; ft: number; branch: number | null };
  /** Seconds for a wave from the valve to the supply and back. */
  roundTripS: number;
  /** The most by which a pipe's wave speed was changed so that all share one step of time, as a part. */
  waveFit: number;
  /** Water that came, went and is stored: what does not add up, over what came. */
  massOff: number;
  frames: { t: number; psi: number[] }[];
  /** Reach-steps that were reckoned. */
  work: number;
}
