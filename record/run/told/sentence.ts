/** Where a run stands, in one sentence, and what is next. */
import { besideLooks, STAGE_NAMES, type Stage } from '../stages.ts';
import type { RunState } from '../state.ts';

export interface Sentence {
  text: string;
  /** The very next thing; '' where the sentence says it all. */
  nextStep: string;
  /** The stage where the next thing is done; null where nothing is left to do. */
  next: Stage | null;
}

export function sentenceOf(state: RunState): Sentence {
  const trouble = [...state.joints, ...state.checkPoints].find((t) => t.finding !== null);
  if (state.conflicts.length > 0) return { text: 'Two devices decided the same thing: say which of the two stands.', nextStep: '', next: null };
  if (trouble?.finding === 'running') return { text: `${trouble.label} is running: water off now.`, nextStep: '', next: 'prove' };
  if (trouble && state.signedOff)
    return { text: `Signed off, and ${trouble.label} is ${trouble.finding} since: reopen the run to put it right.`, nextStep: '', next: 'log' };
  if (trouble) return { text: `${trouble.label} is ${trouble.finding}: put it right, then look again.`, nextStep: '', next: 'prove' };
  if (state.signedOff) return { text: signedSentence(state), nextStep: '', next: null };
  const undone = state.signOffUndone ? `Signed off before, and no more (${state.signOffUndone.why}). ` : '';
  const stage = state.stage as Stage;
  const [text, nextStep = ''] = NEXT[stage](state);
  return { text: undone + text, nextStep, next: stage };
}

function signedSentence({ recheck, callbacks, signedOff }: RunState): string {
  const reports = callbacks.length === 0 ? '' : ` ${callbacks.length === 1 ? 'A callback was' : `${callbacks.length} callbacks were`} reported.`;
  const open = signedOff?.exceptions.length ? ', with what was open named' : '';
  const again = {
    none: '',
    due: ' The recheck is still to do.',
    dry: ' Looked at again: dry.',
    'not dry': ' Looked at again: not dry.',
    closed: ' The recheck was closed with a reason.',
  };
  return `Signed off${open}.${again[recheck]}${reports}`;
}

/** A toilet taken off, a drain led elsewhere: there is a card, and nothing is joined. */
const joinsNothing = (state: RunState): boolean => state.hasCard && state.accepted === null;

const missing = (state: RunState): string => {
  const ends = joinsNothing(state) ? [] : [state.from ? null : 'the water side', state.to ? null : 'the inlet'];
  const lacks = [...ends, state.stop ? null : 'the stop'].filter((l) => l !== null);
  return lacks.join(', ').replace(/, ([^,]*)$/, ' and $1');
};

const NEXT: Record<Stage, (state: RunState) => [text: string, nextStep?: string]> = {
  look: (s) => [`${s.accepted ? 'A chain is accepted, and' : 'To look at:'} ${missing(s)}${s.accepted ? ' not looked at yet' : ''}.`],
  match: () => ['Both ends and the stop are known: choose a chain.'],
  shut: (s) => {
    const step = s.card.find((c) => c.stage === 'shut' && !s.done[c.id]);
    return ['The water is not proved dead yet.', `Next: ${lower(step?.title ?? 'shut it')}.`];
  },
  make: (s) => {
    const step = s.card.find((c) => c.stage === 'make' && !s.done[c.id]);
    const made = s.joints.filter((j) => j.made).length;
    const water = s.stages.shut.state === 'skipped' ? `Proving the water dead was skipped (${s.stages.shut.reason}).` : 'The water is dead.';
    const joints = joinsNothing(s) ? '' : ` ${made} of ${s.joints.length} joints made.`;
    return [`${water}${joints}`, `Next: ${step ? lower(step.title) : 'the joints that are open'}.`];
  },
  prove: (s) => {
    const open = [...s.joints, ...s.checkPoints].filter((t) => !t.proven).map((t) => t.label);
    const beside = besideLooks(s.card).filter((step) => !s.done[step.id]);
    return open.length > 0
      ? [`To prove: ${open.join(', ')}.`]
      : ['Every joint is proven.', `Next: ${lower(beside[0]?.title ?? 'what is beside the looks')}.`];
  },
  log: (s) => {
    const skipped = (Object.keys(s.stages) as Stage[]).filter((stage) => s.stages[stage].state === 'skipped').map((stage) => STAGE_NAMES[stage]);
    return [`${skipped.length > 0 ? `All but ${skipped.join(', ')} is done` : 'Everything is made and proven'}: sign off.`];
  },
};

/** A title inside a sentence; what begins with a joint's name keeps it. */
const lower = (title: string): string => (/^[JD]\d/.test(title) ? title : title.charAt(0).toLowerCase() + title.slice(1));
