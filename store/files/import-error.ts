/** A file that cannot be taken in: where, why, and what to do. Nothing was changed. */
export class ImportError extends Error {
  override readonly name = 'ImportError';
  constructor(
    readonly at: string,
    readonly why: string,
  ) {
    super(`${at}: ${why} Nothing was imported.`);
  }
}
