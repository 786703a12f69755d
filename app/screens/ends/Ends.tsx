import { allEndCodes, endLabel, endSeat, parseEnd } from '../../../core/index.ts';
import { endWanted, lookupAddress, takeEndTo } from '../../ui/end-wanted.ts';
import { useAddress } from '../../ui/use-address.ts';
import { Outline } from '../gauge/Candidates.tsx';

const SIDES = { from: 'water side', to: 'appliance side', rejoin: 'end of the old line' };

const NAMES: Record<string, string> = {
  comp: 'Compression',
  flare: 'Flare',
  npt: 'Taper pipe thread',
  npsm: 'Straight pipe thread',
  bc: 'Ballcock',
  ght: 'Hose thread',
  aer: 'Aerator',
  g: 'Parallel pipe thread, Whitworth form',
  m: 'Metric',
  cu: 'Copper tube',
  pex: 'PEX tube',
  cpvc: 'CPVC tube',
  pe: 'Polyethylene tube',
  pb: 'Polybutylene tube',
  steel: 'Steel pipe',
  ptc: 'Push-to-connect',
  cup: 'Solder cup',
  crimp: 'Crimp barb',
  expand: 'Expansion barb',
  nose: 'Riser nose',
};

function families(): [string, string[]][] {
  const out = new Map<string, string[]>();
  for (const code of allEndCodes.filter((c) => !c.includes(':'))) {
    const { family } = parseEnd(code);
    out.set(family, [...(out.get(family) ?? []), code]);
  }
  return [...out];
}

/** Every end by its drawing, all to one scale; what is chosen goes to who wanted it. */
export default function Ends({ address }: { address: Record<string, string> }) {
  const wanted = endWanted(new URLSearchParams(useAddress(address)));
  return (
    <>
      <h1>Choose the {SIDES[wanted.side]} by its drawing</h1>
      <p className="text-soft">
        All to one scale. Not sure which of two? <a href={lookupAddress('/gauge', wanted)}>Measure it.</a>
      </p>
      {families().map(([family, codes]) => (
        <section key={family} className="mt-4">
          <h2 className="border-b border-ink pb-1">{NAMES[family]}</h2>
          <ul className="grid gap-x-4 sm:grid-cols-2 lg:grid-cols-3">
            {codes.map((code) => (
              <li key={code} className="border-b border-faint">
                <a
                  className="grid min-h-14 grid-cols-[6rem_1fr] items-center gap-3 py-2 no-underline hover:bg-brass-light"
                  href={takeEndTo(wanted, code, 'seen')}
                >
                  <span className="justify-self-center">
                    <Outline code={code} scale={52} />
                  </span>
                  <span>
                    <b>{endLabel(code)}</b>
                    <span className="block text-soft">{endSeat(code)}</span>
                  </span>
                </a>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}
