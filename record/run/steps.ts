/** Which steps of the card are done: what was ticked and answered, as far as it still says something of the chain in force. */
import { type ActVerb, ROUNDS, type WorkStep } from '../../core/index.ts';
import type { Bodies, Entry } from '../kinds.ts';
import type { History } from './history.ts';

export interface Ticks {
  gates: Record<string, Bodies['gate-answered']>;
  ticked: Record<string, boolean>;
}

const PRESSURE: ReadonlySet<string> = new Set(ROUNDS.filter((r) => r.pressure).map((r) => r.id));

/** Two acceptances of the same joints are the same chain: what was done for one was done for the other. */
const chainKey = (entry: Entry | undefined): string => (entry?.kind === 'chain-accepted' ? entry.body.jointIds.join() : '');

/**
 * What was ticked and answered.
 *
 * What was done to the water holds whatever chain is chosen, until it stands under pressure again; then another chain wants it proved dead anew, and
 * so does one that was gone back to, unless every joint of it is made and there is nothing to open. The rest counts for the chain it was done for,
 * and for no other, but for what was done to the place and to joints that stay; gone back to, a chain has its work back.
 */
export function ticksOf(history: History, card: readonly WorkStep[], isWhole: boolean): Ticks {
  const stageById = new Map(card.map((step) => [step.id, step.stage]));
  const stays = new Set(card.filter(isOfThePlace).map((step) => step.id));
  const inForce = history.log.findLast((e) => e.kind === 'chain-accepted');
  const wanted = chainKey(inForce);
  const ticks: Ticks = { gates: {}, ticked: {} };
  let chain: Entry | undefined;
  let withdrawn: Entry | null = null;
  for (const { first, stands } of history.all) {
    if (first.kind === 'chain-accepted') {
      if (stands) chain = stands;
      withdrawn = stands ? null : first;
    }
    if (!stands) continue;
    const isOther = chain?.id !== inForce?.id && !(isWhole && chainKey(chain) === wanted);
    if (stands.kind === 'look-begun' && PRESSURE.has(stands.body.round) && isOther) forgetWater(ticks, stageById);
    if (stands.kind !== 'gate-answered' && stands.kind !== 'step-done') continue;
    const isWater = stageById.get(stands.body.stepId) === 'shut';
    // Ticked for a chain that was itself taken back.
    const isCarriedOff = withdrawn !== null && withdrawn.deviceId === stands.deviceId;
    const isOwn = isWater || (chainKey(chain) === wanted && !isCarriedOff);
    const stepId = isOwn ? stands.body.stepId : carriedOver(stands.body.stepId, chain, inForce, stays);
    if (stepId === null) continue;
    if (stands.kind === 'gate-answered') ticks.gates[stepId] = stands.body;
    else ticks.ticked[stepId] = stands.body.done;
  }
  return ticks;
}

/** Acts on the place and the appliance, whatever is joined to it; one that also touches the line is the chain's. */
const ON_PLACE: ReadonlySet<ActVerb> = new Set<ActVerb>([
  'protect', 'move-out', 'detach', 'clean', 'probe', 'drill', 'measure', 'drain', 'set', 'fix', 'level', 'wire', 'wax', 'dry-fit', 'shim', 'drain-make',
  'seal-rim', 'clamp', 'support', 'plate', 'record', 'orient', 'baseline', 'check-tube', 'bond', 'cut', 'cap', 'tag',
]); // biome-ignore format: a list of words

const isOfThePlace = (step: WorkStep): boolean =>
  step.stage === 'make' &&
  !step.id.includes(':') &&
  step.acts.length > 0 &&
  step.acts.every((act) => ON_PLACE.has(act.do) && act.joint === undefined);

/**
 * What a tick for another chain says of the one in force: of the place and the appliance the same; of a joint that stays what was done to it, under
 * its number of now; of anything else nothing.
 */
function carriedOver(stepId: string, was: Entry | undefined, now: Entry | undefined, stays: ReadonlySet<string>): string | null {
  if (stays.has(stepId)) return stepId;
  const joint = /^(.*:j)(\d+)$/.exec(stepId);
  if (!joint || was?.kind !== 'chain-accepted' || now?.kind !== 'chain-accepted') return null;
  const at = now.body.jointIds.indexOf(was.body.jointIds[Number(joint[2]) - 1] ?? '');
  return at === -1 ? null : `${joint[1]}${at + 1}`;
}

function forgetWater(ticks: Ticks, stageById: ReadonlyMap<string, string>): void {
  for (const list of [ticks.gates, ticks.ticked]) {
    for (const id of Object.keys(list)) if (stageById.get(id) === 'shut') delete list[id];
  }
}

/** It proves water or power off; the first cards say so by where their question stands. */
export const isProof = ({ acts, gate, stage }: Pick<WorkStep, 'acts' | 'gate' | 'stage'>): boolean =>
  gate !== undefined && (acts.length === 0 ? stage === 'shut' : acts.some((a) => a.do === 'prove-dead' || a.do === 'prove-power-dead'));

/** A gate is passed by its answer, by another proof that is named, or past it with a reason. */
export const passes = (answer: Bodies['gate-answered'] | undefined): boolean => answer !== undefined && answer.answer !== 'no';

/**
 * Which steps are done. One that stands in its stage after a gate which is not passed is not, whatever was ticked, and none that opens the line or comes after
 * one is, before the water is shut and proved dead: unless that stage was skipped.
 */
export function stepsDone(
  card: readonly WorkStep[],
  { gates, ticked }: Ticks,
  isMade: (n: number) => boolean,
  isSkipped: (stage: string) => boolean,
): Record<string, boolean> {
  const done: Record<string, boolean> = {};
  /** Stages whose gate is not passed. */
  const held = new Set<string>();
  let isWaterSafe = true;
  let isOpened = false;
  for (const step of card) {
    const isAnswered = step.gate === undefined || passes(gates[step.id]);
    const own = step.joint !== undefined ? isMade(step.joint) && isAnswered : step.gate ? isAnswered : (ticked[step.id] ?? false);
    isOpened ||= step.opens === true;
    done[step.id] = own && !held.has(step.stage) && (isWaterSafe || !isOpened);
    if (done[step.id] || isSkipped(step.stage)) continue;
    if (step.stage === 'shut') isWaterSafe = false;
    if (step.gate) held.add(step.stage);
  }
  return done;
}
