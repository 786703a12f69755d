/** What the core needs to know of an appliance. */
export interface Appliance {
  id: string;
  name: string;
  water: ('cold' | 'hot')[];
  /** Hot and cold at once: two lines come to it. */
  fedBoth: boolean;
  usualInletEnds: string[];
  /** Its inlet is of plastic, whatever its thread. */
  plasticInlet: boolean;
  /** The code's sizing flow, gpm. */
  designGpm: number;
  /** Most that its own valve passes, whatever stands before it, gpm; null where nothing holds it back. */
  capGpm: number | null;
  minFlowPsi: number;
  maxStaticPsi: number;
  /** 'yes': a solenoid; else by how its user closes it. */
  fastClosing: 'yes' | 'no' | 'single lever' | 'quarter turn';
  /** How long its valve takes to shut. Typical: a solenoid 15 to 40 ms, a hand a tenth of a second, a float its time. */
  closesMs: number;
  typicalVolumeGal: number;
  /** How its water usually comes to it: a row of losses, a tube, its length. Typical. */
  usualLine: { stop: string; tube: string; lengthIn: number };
  /** Drawn out and pushed home again: it has a put-back round. */
  moves: boolean;
  /** It has an electric supply at hand of the water. */
  powered: boolean;
  /** Hot and cold meet in it: water of one can come back by the other. */
  mixes: boolean;
  hasAerator: boolean;
  /** Every one of its kind is taken for one that makes ice, unless its sheet says otherwise. */
  makesIce: boolean;
  /** What its flow asks of every part before it, in; typical. */
  minBoreIn: number;
  /** What its supply usually has besides. */
  usualNeeds: ('stop' | 'arrestor' | 'check' | 'stop-leak')[];
  /** Tags of parts that do not belong before it. */
  avoid: string[];
  /** Backflow and scald protection the codes name for it; local code wins. */
  protection: string;
  note: string;
}
