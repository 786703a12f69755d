/** The shop itself: what prints, prices and days go by. */
export interface Shop {
  id: string;
  name: string | null;
  address: string | null;
  phone: string | null;
  currency: string | null;
  timeZone: string | null;
  units: 'inch' | 'metric';
  /** What a minute of work is charged, cents; null where nobody said. */
  minuteCents: number | null;
  /** What coming costs, cents; null where nobody said. */
  calloutCents: number | null;
  taxPercent: number | null;
  /** Where tags send whoever scans them; null: where the tags were printed from. */
  tagAddress: string | null;
  /** Its own words, each with what it means in words that are read. */
  words: Record<string, string>;
}
