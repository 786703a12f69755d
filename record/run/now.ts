/** A run as it stands, as far as the rules of its entries ask. */
export interface RunNow {
  /** The acceptance in force; null while there is none. */
  acceptedId: string | null;
  /** Joints of every chain that was accepted for it. */
  jointIds: ReadonlySet<string>;
  /** Joints of the chain in force, made or not, and what is not dry or not proven. */
  targets: () => { id: string; label: string; made: boolean; finding: string | null; proven: boolean }[];
  checkPointIds: ReadonlySet<string>;
  signedOff: boolean;
  /** The standing look that has this id; what it was begun on, and whether it is ended. */
  look: (id: string) => { targetId: string | null; ended: boolean } | null;
}

/** Words for what an entry names by id or code. */
export interface Words {
  /** 'J2', 'Stop stem'. */
  target: (id: string) => string;
  /** Name of a part or loose piece. */
  item: (id: string) => string;
  /** '3/8 in OD compression, male'. */
  end: (code: string) => string;
  /** Title of a step of the work card. */
  step: (id: string) => string;
  /** What a look was for: its round. */
  look: (id: string) => string;
}
