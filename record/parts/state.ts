/** A part of the shop's own as it stands. */
export interface OwnPart {
  id: string;
  /** Its cells by column, as text; null where it was never set, or that was taken back. */
  row: Record<string, string> | null;
  /** In the order of its file. */
  place: number;
  removed: boolean;
}
