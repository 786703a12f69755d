/** Names of time zones that browsers, Node and PostgreSQL all read alike: some engines take names beside them that no table of zones has. */

/** Names of one word that stand in the table of zones; others, like AET or IST, are read differently or not at all. */
const SINGLE = new Set(
  (
    'CET CST6CDT Cuba EET EST EST5EDT Egypt Eire GB GB-Eire GMT GMT0 Greenwich HST Hongkong Iceland Iran Israel Jamaica Japan Kwajalein Libya MET MST ' +
    'MST7MDT NZ NZ-CHAT Navajo PRC PST8PDT Poland Portugal ROC ROK Singapore Turkey UCT UTC Universal W-SU WET Zulu'
  ).split(' '),
);

/** Of an area and a place, and in some engines only. */
const STRANGE = new Set(['US/Pacific-New', 'Canada/East-Saskatchewan', 'SystemV/AST4', 'SystemV/PST8']);

/** Names of places, as every table of zones has them: an offset is read the other way round by some. */
const READS = /^[A-Za-z][A-Za-z_]*(?:[/-][A-Za-z0-9_+-]+)*$/;

/** An IANA name of a zone that every engine here knows. */
export function isZone(name: string): boolean {
  if (!READS.test(name) || STRANGE.has(name) || name.startsWith('SystemV/')) return false;
  if (!name.includes('/') && !SINGLE.has(name)) return false;
  return knows(name);
}

/**
 * The same zone by a name that every engine knows: a record of before may hold one that only some do.
 *
 * @returns the name itself where it will do, the usual name of its zone, or UTC
 */
export function zoneForAll(name: string): string {
  if (isZone(name) || !knows(name)) return isZone(name) ? name : 'UTC';
  const usual = new Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone;
  return isZone(usual) ? usual : 'UTC';
}

/** What an engine says of a name stays so, and asking it is dear. */
const known = new Map<string, boolean>();
const MOST_KNOWN = 2000;

function knows(name: string): boolean {
  const before = known.get(name);
  if (before !== undefined) return before;
  const now = asked(name);
  if (known.size < MOST_KNOWN) known.set(name, now);
  return now;
}

function asked(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
