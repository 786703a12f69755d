/** What is said with care of a chain: where it can hurt, leak or fall short. */
import { sealById } from '../../rows/index.ts';
import { reasonsBy, sayings } from '../../sayings.ts';
import { diameter, length, said, temperature } from '../../units/index.ts';
import { SCALDS_F } from '../query.ts';

const STUBS = 'trade practice: how joints seal: typical';

export const chainSayings = sayings({
  fire: { says: 'Soldering: heat shield, extinguisher, fire watch for 30 minutes; an end open for the steam; a wet pipe will not solder.' },
  'solder-first': { says: 'Solder first, let it cool, then the rest: no plastic, rubber or push fitting near the heat.' },
  'washer-on-taper': { says: () => `A washer nut on a taper stub: ${sealById('washer-on-taper')?.note}.` },
  marginal: { says: 'A joint of this chain only may hold: get the right part if there is any way to.' },
  'push-found': { says: 'A push-to-connect end found in place: check that it is sound, and that it takes this tube.' },
  'old-ferrule': {
    says: 'The old nut and ferrule seal again at their old place: about a quarter turn past where they first resist. Where it weeps: off with it, a new one on fresh tube.',
    source: 'trade practice',
  },
  'old-ferrule-never': {
    says: 'The house uses no ferrule again: pull or cut it off, and ask for the tube itself.',
    source: 'house rule',
  },
  'hose-on-hose': {
    says: "A hose onto the appliance's own hose: connectors are not joined in series where anything else reaches. Keep the joint in sight.",
  },
  'two-lines': {
    says: 'Two flexible pieces in series: no one line is that long. Their joint is kept in sight and in reach, and looked at like any other.',
    source: 'trade practice',
  },
  'outlet-free': { says: 'An outlet stays free: keep its valve shut, and cap it until a line is on it.' },
  scald: { says: said`Hot water above ${temperature(SCALDS_F)} scalds: cool it or keep hands clear.` },
  'steel-copper': { says: 'Copper straight onto that thread: if it is plain steel it eats away there. Brass or a dielectric union between.' },
  narrow: {
    says: (f) =>
      said`It narrows to about ${diameter(Number(f.boreIn), 2)} between ends of ${diameter(Number(f.endsIn), 2)} (typical): less water, slower to fill.`,
  },
  'long-line': {
    says: (f) =>
      said`The line is ${length(Number(f.lengthIn))} for ${length(Number(f.minLengthIn))}: the rest loops, and may kink. A shorter one is better.`,
  },
  'stub-chromed': { says: 'Chromed tube: turn or sand the chrome off to bright copper where the joint goes.', source: STUBS },
  'stub-pitted': { says: 'Pitted tube: cut it back to where it is sound.', source: STUBS },
  'stub-unknown': {
    says: 'The finish of the tube is not known: chromed, it takes no push fitting; pitted, neither push, ferrule nor solder. Look first.',
    source: STUBS,
  },
});

export const chainReason = reasonsBy(chainSayings);
