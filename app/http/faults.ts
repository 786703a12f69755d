import { z } from 'zod';
import { EndCodeError, InputError } from '../../core/errors.ts';
import { isDatabaseLost } from '../../store/connection.ts';
import { PartsFileError } from '../../store/own-parts.ts';
import { RulesChangedError } from '../../store/rules.ts';
import { ImportError } from '../../store/visit-file.ts';
import { TooLargeError } from './guard.ts';
import { problem } from './problem.ts';

/** What was asked cannot be had, for a reason that is nobody's fault. */
export class RefusedError extends Error {
  override readonly name = 'RefusedError';
  constructor(
    readonly status: 404 | 409,
    readonly rule: string,
    readonly title: string,
    detail: string,
  ) {
    super(detail);
  }
}

/** Any error as an answer that says what happened and what to do; none is a bare 500. */
export function answerOf(error: unknown): Response {
  if (error instanceof RefusedError) return problem(error.status, error.rule, error.title, error.message);
  if (error instanceof TooLargeError) return problem(413, 'too-large', 'Too large', error.message);
  if (error instanceof ImportError) return problem(422, 'import', 'The file was not taken in', error.why, error.at);
  if (error instanceof EndCodeError) return problem(422, 'end-code', 'Not an end code', error.message, String(error.at));
  if (error instanceof InputError) return problem(422, 'input', 'That will not do', error.message, error.field);
  if (error instanceof PartsFileError) {
    const [first] = error.faults;
    return problem(422, 'parts-file', 'The file was not taken in', error.message, `line ${first?.line}, ${first?.column}`);
  }
  if (error instanceof RulesChangedError) return problem(409, 'changed-meanwhile', 'Changed meanwhile', error.message);
  if (error instanceof z.ZodError) {
    const issue = error.issues[0];
    return problem(422, 'request', 'That will not do', issue?.message ?? 'The request does not read.', issue?.path.join('.'));
  }
  if (error instanceof SyntaxError) return problem(400, 'json', 'Not JSON', 'The request does not read as JSON.');
  if (isDatabaseLost(error)) {
    return problem(
      503,
      'database-lost',
      'The database does not answer',
      'What you entered is kept in this browser and sent when it is back. Try again in a moment.',
    );
  }
  const number = Date.now().toString(36);
  console.error(`fault ${number}:`, error);
  return problem(
    500,
    'fault',
    'Our fault',
    `Something went wrong here that should not have; nothing was changed. It is in the server's log as fault ${number}. Try again.`,
  );
}
