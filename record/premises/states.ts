/** How what stands at a premises is known. */
import type { NetPipe, NetPlace, NetValve, Standing } from '../../core/index.ts';

export interface Contact {
  name?: string | null;
  phone?: string | null;
  email?: string | null;
  note?: string | null;
}

/** A thing of the water as it was drawn last. */
export type WaterThing =
  | ({ what: 'place'; name?: string | undefined; stands?: Standing | undefined /** The run whose inlet it is. */; runId?: string | undefined } & Omit<
      NetPlace,
      'name' | 'stands'
    >)
  | ({ what: 'pipe'; water?: 'cold' | 'hot' | undefined } & NetPipe)
  | ({
      what: 'valve';
      name?: string | undefined;
      /** The run whose stop it is. */
      runId?: string | undefined;
      /** When its condition was last said. */
      triedMs?: number;
    } & Omit<NetValve, 'name'>);

/** A building with its water. */
export interface Premises {
  id: string;
  name: string;
  timeZone: string;
  address: string | null;
  /** How to get in: where to park, who has the key. */
  access: string | null;
  /** Where the whole house is shut. */
  mainValve: string | null;
  /** When no noise is made and no water shut off, local times; over midnight where `to` is earlier. */
  quiet: { from: string; to: string } | null;
  contact: Contact | null;
  /** Its water as far as it is drawn: places, pipes, valves. */
  water: WaterThing[];
  /** The entry that erased its contact last; null where none did. */
  contactErasedBy: string | null;
  /** Why it is left out of lists and pickers; null while it is not. */
  retired: string | null;
}

/** A room of a premises, or a part of one. */
export interface Place {
  id: string;
  premisesId: string;
  name: string;
  retired: string | null;
}

/** What water is connected to; a pair of hot and cold runs belongs to one. */
export interface Appliance {
  id: string;
  premisesId: string;
  placeId: string;
  /** Id in the catalogue's appliances. */
  kind: string;
  name: string;
  /** Figures of its own sheet, by the columns of the catalogue's appliances. */
  sheet: Record<string, number | boolean | string> | null;
  retired: string | null;
}

export interface CheckPoint {
  id: string;
  kind: 'stem' | 'drain';
  name: string;
}

/** One supply path from where water is taken to one inlet of an appliance. */
export interface Run {
  id: string;
  applianceId: string;
  water: 'cold' | 'hot';
  name: string;
  /** What is watched besides its joints: stop stems, drain joints. */
  checkPoints: CheckPoint[];
  retired: string | null;
}
