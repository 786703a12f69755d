import { useMemo, useState } from 'react';
import { endName, endSeat, readEndNotes } from '../../../core/index.ts';
import { Outline } from '../../ui/drawn/index.ts';
import { endWanted, lookupAddress, takeEndTo, usualEnds } from '../../ui/ends/index.ts';
import { useAddress } from '../../ui/use-address.ts';
import { families, NAMES, PLAIN, sought } from './families.ts';

const SIDES = { from: 'water side', to: 'appliance side', rejoin: 'end of the old line' };

/** Pixels for an inch: a cone is told from a flat at arm's length. */
const SCALE = 104;

/** Every end by its drawing, all to one scale, those met here first; what is chosen goes to who wanted it. */
export default function Ends({ address }: { address: Record<string, string> }) {
  const wanted = endWanted(new URLSearchParams(useAddress(address)));
  const [text, setText] = useState('');
  const found = useMemo(() => (text.trim() === '' ? null : sought(text)), [text]);
  const groups: [string, string[]][] = found
    ? [[found.length === 0 ? 'Nothing reads like that' : `Reads like "${text.trim()}"`, found]]
    : [
        ['Met most here', usualEnds(wanted.side, wanted.on)],
        ...families(PLAIN).map(([family, codes]): [string, string[]] => [NAMES[family]!, codes]),
      ];
  return (
    <>
      <h1>Choose the {SIDES[wanted.side]} by its drawing</h1>
      <div className="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2">
        <label className="grid w-full max-w-120 gap-1">
          <span className="label">Show only</span>
          <input
            type="search"
            className="field field-name"
            placeholder="3/8, flare, hose, 9/16-24"
            maxLength={80}
            spellCheck={false}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <p>
          All to one scale. Not sure which of two?{' '}
          <a className="inline-flex min-h-12 items-center" href={lookupAddress('/gauge', wanted)}>
            Measure it.
          </a>
        </p>
      </div>
      <p aria-live="polite">
        {readEndNotes(text)
          .map((n) => n.text)
          .join(' ')}
      </p>
      {groups.map(([name, codes]) => (
        <section key={name} className="mt-4">
          <h2 className="border-b border-ink pb-1">{name}</h2>
          <ul className="grid gap-x-6 sm:grid-cols-2">
            {codes.map((code) => (
              <li key={code} className="border-b border-faint">
                <a
                  className="grid min-h-14 grid-cols-[10rem_minmax(0,1fr)] items-center gap-3 py-2 no-underline hover:bg-brass-light"
                  href={takeEndTo(wanted, code, 'seen')}
                >
                  <span className="justify-self-center">
                    <Outline code={code} scale={SCALE} />
                  </span>
                  <span>
                    <b className="text-lg">{endName(code)}</b>
                    <span className="block">{endSeat(code)}</span>
                    <span className="code text-sm">{code}</span>
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
