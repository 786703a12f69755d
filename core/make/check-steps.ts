/** What of the step data cannot work, whatever run it is asked for: found when it is read, with the steps named. */
import { InputError } from '../errors.ts';
import { ACT_VERBS } from './acts.ts';
import type { StepTemplate } from './step-data.ts';
import { type WorkKind, worksOn } from './work-kinds.ts';

/** Steps that wait for each other, or ask for what no step does. */
export class StepDataError extends InputError {
  override readonly name = 'StepDataError';
}

const STAGES = ['shut', 'make', 'prove', 'log'];
const LABELS = ['@early', '@held', '@hot', '@cold', '@last'];
const VERBS: ReadonlySet<string> = new Set(ACT_VERBS);

/**
 * Holds the rows of steps against each other.
 *
 * @throws StepDataError for a constraint that names nothing, one against the order of the stages, a circle, or a kind of work whose acts nothing offers
 */
export function checkSteps(steps: readonly StepTemplate[], kinds: readonly WorkKind[], appliances: readonly string[]): void {
  const rows = steps.filter((t) => t.until === undefined);
  const byRef = refsOf(rows);
  const next = new Map<StepTemplate, StepTemplate[]>(rows.map((t) => [t, []]));
  for (const t of rows) {
    checkDrains(t);
    for (const [refs, isAfter] of [
      [t.after ?? [], true],
      [t.before ?? [], false],
    ] as const) {
      for (const ref of refs) {
        const named = meant(ref, byRef, t);
        for (const other of named) {
          const [a, b] = isAfter ? [other, t] : [t, other];
          if (a === b || !mayMeet(a, b)) continue;
          if (STAGES.indexOf(a.stage) > STAGES.indexOf(b.stage))
            throw new StepDataError(`step ${a.id}`, `before ${b.id}`, "Its stage comes after the other's. Move one of them.");
          next.get(a)!.push(b);
        }
      }
    }
  }
  const circle = circleIn(rows, next);
  if (circle) throw new StepDataError('steps', circle.map((t) => t.id).join(' < '), 'These wait for each other. Take one of their constraints away.');
  for (const kind of kinds) checkKind(kind, rows, appliances);
}

/** Every drain joint that is made is known: how it seals, when it is looked at, what helps. */
function checkDrains(t: StepTemplate): void {
  const made = (t.acts ?? []).flatMap((a) => (a.do === 'drain-make' ? [a.on ?? ''] : []));
  const known = (t.drains ?? []).map((d) => d.on);
  if (made.join() !== known.join())
    throw new StepDataError(`step ${t.id}`, made.join(), 'Say of each drain joint it makes what it joins and how it seals.');
}

function refsOf(rows: readonly StepTemplate[]): Map<string, StepTemplate[]> {
  const byRef = new Map<string, StepTemplate[]>();
  const add = (ref: string, t: StepTemplate) => byRef.set(ref, [...(byRef.get(ref) ?? []), t]);
  for (const t of rows) {
    add(`#${t.id}`, t);
    for (const act of t.again ? [] : (t.acts ?? [])) {
      add(act.do, t);
      if (act.on) add(`${act.do}:${act.on}`, t);
      else if (act.do === 'cut') add('cut:found', t);
    }
  }
  return byRef;
}

function meant(ref: string, byRef: ReadonlyMap<string, StepTemplate[]>, by: StepTemplate): readonly StepTemplate[] {
  if (LABELS.includes(ref)) return [];
  const found = byRef.get(ref);
  if (found) return found;
  const verb = ref.split(':')[0] as string;
  if (VERBS.has(verb) && byRef.has(verb)) return [];
  throw new StepDataError(`step ${by.id}`, ref, 'No step does that. Name a verb, `verb:on`, `#id` of a step, @early or @held.');
}

/** Whether two rows can stand on one card at all. */
function mayMeet(a: StepTemplate, b: StepTemplate): boolean {
  if (a.id === b.id) return false;
  const overlap = <T>(x: readonly T[] | undefined, y: readonly T[] | undefined) => !x || !y || x.some((v) => y.includes(v));
  const barred = (x: readonly string[] | undefined, y: readonly string[] | undefined) => (x ?? []).some((f) => (y ?? []).includes(f));
  const [p, q] = [a.when, b.when];
  if (p.work && q.notWork && p.work.every((k) => q.notWork!.includes(k))) return false;
  if (q.work && p.notWork && q.work.every((k) => p.notWork!.includes(k))) return false;
  const rules = Object.entries(p.rule ?? {}).every(([key, value]) => (q.rule?.[key] ?? value) === value);
  return overlap(p.work, q.work) && overlap(p.appliance, q.appliance) && rules && !barred(p.is, q.not) && !barred(q.is, p.not);
}

/** Rows of a circle in their order; null where there is none. */
function circleIn(rows: readonly StepTemplate[], next: ReadonlyMap<StepTemplate, StepTemplate[]>): StepTemplate[] | null {
  const done = new Set<StepTemplate>();
  const way: StepTemplate[] = [];
  const visit = (t: StepTemplate): StepTemplate[] | null => {
    const at = way.indexOf(t);
    if (at !== -1) return [...way.slice(at), t];
    if (done.has(t)) return null;
    way.push(t);
    for (const b of next.get(t)!) {
      const found = visit(b);
      if (found) return found;
    }
    way.pop();
    done.add(t);
    return null;
  };
  for (const t of rows) {
    const found = visit(t);
    // A way through rows that never stand on one card is no circle.
    if (found?.every((a, i) => found.every((b, k) => i === k || a === b || mayMeet(a, b)))) return found;
    way.length = 0;
  }
  return null;
}

/** Every act that a kind of work must contain is offered to it, whatever it is done to. */
function checkKind(kind: WorkKind, rows: readonly StepTemplate[], appliances: readonly string[]): void {
  for (const appliance of appliances.filter((id) => worksOn(kind, id))) {
    const own = rows.filter(
      (t) =>
        (t.when.work ?? [kind.id]).includes(kind.id) && !t.when.notWork?.includes(kind.id) && (t.when.appliance ?? [appliance]).includes(appliance),
    );
    for (const verb of kind.mustActs) {
      if (!own.some((t) => t.acts?.some((act) => act.do === verb)))
        throw new StepDataError(`kind of work ${kind.id}`, verb, `No step does that for it at a ${appliance}. Add one.`);
    }
  }
}
