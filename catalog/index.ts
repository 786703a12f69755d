/** The shipped reference data, read and checked once. */
import { createHash } from 'node:crypto';
import type { Appliance, Kit, LookData, Loose, LossRow, Part, StepTemplate, TaskRow, WorkKind } from '../core/index.ts';
import { readAppliances } from './appliances.ts';
import { readLook } from './look.ts';
import { readLosses } from './losses.ts';
import { readKits, readStocked } from './parts.ts';
import { readSteps } from './steps.ts';
import { readTasks } from './tasks.ts';
import { readWorkKinds, unknownAppliances } from './work-kinds.ts';

export interface Catalogue {
  /** Changes with every change of its content; decisions and caches name it. */
  version: string;
  currency: string;
  parts: Part[];
  /** Of the parts those that are a shop's own, by their ids. */
  ownIds: string[];
  loose: (Loose & { name: string })[];
  kits: Kit[];
  /** How many of each a van carries to begin with, by part id or loose code. */
  van: Record<string, number>;
  appliances: Appliance[];
  steps: StepTemplate[];
  workKinds: WorkKind[];
  look: LookData;
  duties: TaskRow[];
  losses: LossRow[];
}

let loaded: Catalogue | null = null;

export function catalogue(): Catalogue {
  if (!loaded) {
    const appliances = readAppliances();
    const workKinds = readWorkKinds();
    const unknown = unknownAppliances(workKinds, appliances);
    if (unknown.length > 0) throw new Error(`work-kinds.csv names appliances that appliances.csv has not: ${unknown.join('; ')}`);
    const steps = readSteps(
      workKinds,
      appliances.map((a) => a.id),
    );
    const stocked = readStocked();
    const content = {
      ...stocked,
      kits: readKits(stocked.parts),
      appliances,
      steps,
      workKinds,
      look: readLook(),
      duties: readTasks(),
      losses: readLosses(),
    };
    const version = createHash('sha256').update(JSON.stringify(content)).digest('hex').slice(0, 12);
    loaded = { version, currency: 'USD', ownIds: [], ...content };
  }
  return loaded;
}

export function applianceById(id: string): Appliance {
  const found = catalogue().appliances.find((a) => a.id === id);
  if (!found) throw new Error(`The catalogue has no appliance "${id}".`);
  return found;
}
