import { endLabel, type Identification } from '../../../core/index.ts';

/** The answer in a few words. */
export function answerOf({ answer, unlike }: Identification, gender: 'm' | 'f', nothingRead: boolean): string {
  if (nothingRead) return 'Nothing read yet: what is met most';
  if (unlike) return 'Unlike anything known: measure again';
  return answer.length === 1 ? endLabel(`${answer[0]}-${gender}`) : `One of ${answer.length}: the readings cannot tell them apart`;
}
