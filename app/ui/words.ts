/** Wording that more than one screen uses. */
export const money = (cents: number) => `$${(cents / 100).toFixed(2)}`;

/** A volume a day with no false digits: '0.3', '8.6', '43'. */
export function mlPerDay(value: number): string {
  return value >= 10 ? String(Math.ceil(value)) : String(Math.ceil(value * 10) / 10);
}

export const SEAL_WORDS: Record<string, string> = {
  washer: 'rubber washer',
  'washer-plastic': 'washer, plastic nut',
  'washer-hose': 'hose washer',
  'washer-aerator': 'aerator washer',
  ferrule: 'ferrule',
  'ferrule-large': 'ferrule',
  'ferrule-plastic': 'plastic ferrule',
  taper: 'taper thread',
  'taper-plastic': 'taper, plastic',
  'o-ring': 'O-ring',
  flare: 'flare',
  cone: 'cone washer',
  push: 'push fit',
  'push-small': 'push fit',
  crimp: 'crimp ring',
  expansion: 'expansion ring',
  solder: 'solder',
};

export const STAGE_NAMES = { look: 'Look', match: 'Match', shut: 'Shut', make: 'Make', prove: 'Prove', log: 'Log' } as const;

/** m:ss of a number of seconds. */
export function clock(seconds: number): string {
  const s = Math.max(0, Math.floor(seconds));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
}

/** A moment on the clock of a place: '2026-11-24 10:41'. */
export function localTime(ms: number, timeZone: string): string {
  const parts = new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'short' });
  return parts.format(ms);
}
