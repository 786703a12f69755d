/** What an outlet is, as far as its name says: how it is opened, how air leaves by it, and what is cleaned after. */

export type OutletKind = 'faucet' | 'toilet' | 'machine' | 'open';

interface OutletWords {
  /** Opened for the air to come in, or to drain. */
  open: (name: string) => string;
  close: (name: string) => string;
  /** Water comes back by it. */
  air: (name: string) => { title: string; detail: string };
  /** Open, and waited at: how it is seen that nothing comes. */
  still: string;
  /** An aerator or a shower head sits on it. */
  hasAerator: boolean;
}

/** What is opened and closed by hand, and runs. */
const tap = (hasAerator: boolean): OutletWords => ({
  open: (name) => `Open ${name}`,
  close: (name) => `Close ${name}`,
  air: (name) => ({
    title: `Let the air out at ${name}`,
    detail: hasAerator ? 'Aerator off, until it runs without spitting.' : 'Until it runs without spitting.',
  }),
  still: 'Leave it open and wait.',
  hasAerator,
});

export const OUTLET_WORDS: Record<OutletKind, OutletWords> = {
  faucet: tap(true),
  toilet: {
    open: (name) => `Flush ${name}`,
    close: (name) => `Leave ${name} to fill by itself`,
    air: (name) => ({ title: `Let ${name} fill`, detail: 'It spits while the air comes, then fills and shuts off. Flush once more.' }),
    still: 'Its lid off: nothing runs into the tank.',
    hasAerator: false,
  },
  machine: {
    open: (name) => `Loosen the hose nut of ${name} over a bucket`,
    close: (name) => `Tighten the hose nut of ${name}`,
    air: (name) => ({ title: `Fill ${name}`, detail: 'Its hose nut tight again; the air leaves with its first fill.' }),
    still: 'Leave the nut loose and wait.',
    hasAerator: false,
  },
  open: tap(false),
};

/** Words of a name, the first that fits; what none fits is taken for a faucet. Whole words: an office holds no ice. */
const NAMES: readonly [RegExp, OutletKind][] = [
  [/\b(?:toilets?|wc|water closet|urinals?|bidet seat)\b/i, 'toilet'],
  [/\b(?:dish ?washer|washer|washing machine|refrigerator|fridge|ice|ice ?maker|brewer|coffee|humidifier|oven|softener|boiler)\b/i, 'machine'],
  [/\b(?:hose|hydrant|cock|fountain|eyewash|rinser)\b/i, 'open'],
];

export const outletKindOf = ({ name }: { name?: string | undefined }): OutletKind => NAMES.find(([words]) => words.test(name ?? ''))?.[1] ?? 'faucet';
