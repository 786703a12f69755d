import * as z from 'zod/mini';
import { EndCodeError, InputError } from '../../../core/index.ts';
import { PictureError, pathText } from '../../../record/index.ts';
import { BusyError, isDatabaseLost, OtherProgramError, wasUndone } from '../../../store/database/index.ts';
import { CsvFileError, ImportError } from '../../../store/files/index.ts';
import { PieceError } from '../../../store/images/index.ts';
import { ManyShopsError } from '../../../store/shops.ts';
import { BodyError, TooLargeError } from './guard.ts';
import { problem } from './problem.ts';

/** Shapes say what they want in English. */
z.config(z.locales.en());

/** What was asked cannot be had, for a reason that is nobody's fault. */
export class RefusedError extends Error {
  override readonly name = 'RefusedError';
  constructor(
    readonly status: 404 | 409,
    readonly rule: string,
    readonly title: string,
    detail: string,
    /** What was asked for. */
    readonly at: string,
  ) {
    super(detail);
  }
}

/** Any error as an answer that says what happened and what to do; none is a bare 500. */
export function answerOf(error: unknown): Response {
  if (error instanceof RefusedError) return problem(error.status, error.rule, error.title, error.message, error.at);
  if (error instanceof TooLargeError) return problem(413, 'too-large', 'Too large', error.message, 'the body');
  if (error instanceof ImportError) return problem(422, 'import', 'The file was not taken in', error.why, error.at);
  if (error instanceof EndCodeError) return problem(422, 'end-code', 'Not an end code', error.message, error.field);
  if (error instanceof InputError) return problem(422, 'input', 'That will not do', error.message, error.field);
  if (error instanceof CsvFileError) {
    const [first] = error.faults;
    return problem(422, 'csv-file', 'The file was not taken in', error.message, `line ${first?.line}, ${first?.column}`);
  }
  if (error instanceof PictureError) return problem(422, 'picture', 'The picture was not taken', error.message, 'the body');
  if (error instanceof PieceError) return problem(409, 'other-piece', 'Not the next piece', error.message, 'at');
  if (error instanceof ManyShopsError) return problem(409, 'many-shops', 'Too many shops', error.message, 'id');
  if (error instanceof BodyError) return problem(error.status, 'body', 'Not what was wanted', error.message, 'the body');
  if (error instanceof z.core.$ZodError) {
    const issue = error.issues[0];
    const at = pathText(issue?.path ?? []) || 'the request';
    return problem(422, 'request', 'That will not do', `${at}: ${issue?.message ?? 'does not read'}.`, at);
  }
  if (error instanceof SyntaxError) return problem(400, 'json', 'Not JSON', 'The request does not read as JSON.', 'the body');
  if (error instanceof OtherProgramError) return problem(503, 'other-program', 'Later', error.message);
  if (error instanceof BusyError || wasUndone(error)) return problem(503, 'busy', 'Later', BUSY);
  if (isDiskFull(error)) return problem(507, 'disk-full', 'No room', DISK_FULL);
  if (isDatabaseLost(error)) {
    return problem(
      503,
      'database-lost',
      'The database does not answer',
      'What you entered is kept in this browser and sent when it is back. Try again in a moment.',
    );
  }
  if (isNotStorable(error)) {
    return problem(
      422,
      'not-storable',
      'That cannot be kept',
      'It holds a text or a figure that cannot be kept. Mend it and try again. Nothing was changed.',
      'the request',
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

const BUSY = 'Too many write at once. What you entered is kept on the device and sent again in a moment.';
const DISK_FULL = 'The disk of the server is full: nothing was changed. What you entered is kept on the device. Make room there, then try again.';

/** SQLSTATE 53100, or the file system's own word. */
function isDiskFull(error: unknown): boolean {
  const { code } = (error ?? {}) as { code?: unknown };
  return code === '53100' || code === 'ENOSPC';
}

/** SQLSTATE class 22 and 23: what was given does not go into the database. */
function isNotStorable(error: unknown): boolean {
  const { code } = (error ?? {}) as { code?: unknown };
  return typeof code === 'string' && /^(22|23)\w{3}$/.test(code);
}
