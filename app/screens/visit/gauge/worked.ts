import { type Decay, type DecayQuestion, InputError, pressureDecay } from '../../../../core/index.ts';

export function worked(question: DecayQuestion): [Decay | null, string] {
  if (question.letOut.length === 0) return [null, 'nothing was let out yet.'];
  try {
    return [pressureDecay(question), ''];
  } catch (error) {
    if (error instanceof InputError) return [null, error.remedy];
    throw error;
  }
}
