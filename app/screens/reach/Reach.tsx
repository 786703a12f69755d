import { useEffect, useMemo, useState } from 'react';
import type { ReachPreset } from '../../../catalog/reach.ts';
import { type HoleSize, type LengthPick, length, quantityWords, writeFraction } from '../../../core/index.ts';
import { reachWanted, takeLengthTo } from '../../ui/ends/index.ts';
import { AnswerBar, Choices } from '../../ui/form/index.ts';
import { saveDrawing } from '../../ui/saved/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import { useAddress } from '../../ui/use-address.ts';
import { Behind } from './Behind.tsx';
import { Elevation } from './Elevation.tsx';
import { Holes } from './Holes.tsx';
import { Lengths } from './Lengths.tsx';
import { Measured } from './Measured.tsx';
import { Riser } from './Riser.tsx';
import { drawnOf, sheetFor, shownPoints } from './room-view.ts';
import { TubeCut } from './TubeCut.tsx';
import { laidOf, movedTo, readTyped } from './typed.ts';
import { usePicks } from './use-picks.ts';

interface Props {
  presets: ReachPreset[];
  /** Bits and saws on the van. */
  holeSizes: HoleSize[];
  address: Record<string, string>;
  /** For the address's own setting, worked out before the page came. */
  first: LengthPick[];
}

/** How long a line: stop and inlet to scale, every length that is sold as it would lie, the shortest that lies well first. */
export default function Reach({ presets, holeSizes, address, first }: Props) {
  const units = useUnits();
  const asked = useAddress(address);
  const wanted = useMemo(() => reachWanted(new URLSearchParams(asked)), [asked]);
  const usual = presets.find((p) => p.appliances.includes(wanted.on ?? '')) ?? presets[0]!;
  const [preset, setPreset] = useState(usual.id);
  const [laid, setLaid] = useState(wanted.laid ?? laidOf(usual));
  const [lengths, setLengths] = useState(usual.lengthsIn.join(' '));
  const [picked, setPicked] = useState<number | null>(null);
  const [isOut, setOut] = useState(false);
  // A page kept for use without a connection learns its address when it stands.
  useEffect(() => {
    setPreset(usual.id);
    setLaid(wanted.laid ?? laidOf(usual));
    setLengths(usual.lengthsIn.join(' '));
  }, [usual, wanted]);
  const { question, wrong } = useMemo(() => readTyped(laid, lengths), [laid, lengths]);
  const picks = usePicks(question, first);
  const best = picks[0];
  const chosen = picks.find((p) => p.lengthIn === picked) ?? best;
  const words = (inches: number) => quantityWords(length(inches), units);
  const isInSpace = question?.from.z !== undefined;
  const shownOut = isOut && laid.pulledOut !== undefined;
  const begin = (id: string) => {
    const to = presets.find((p) => p.id === id)!;
    setPreset(id);
    setLaid(laidOf(to));
    setLengths(to.lengthsIn.join(' '));
    setPicked(null);
    setOut(false);
  };
  const views = isInSpace ? (['side', 'front'] as const) : (['side'] as const);
  const most = isInSpace ? { width: 416, height: 560 } : { width: 880, height: 600 };
  const scale =
    question && chosen
      ? Math.min(...views.map((view) => sheetFor(view, shownPoints(view, question, drawnOf(picks, chosen), shownOut), most).scale))
      : 1;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <section aria-label="Drawing" className="grid content-start gap-3">
        <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
          <h1 className="mr-auto">How long a line</h1>
          <label className="grid">
            <span className="label">As is usual for a</span>
            <select className="field" value={preset} onChange={(e) => begin(e.target.value)}>
              {presets.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
          {laid.pulledOut !== undefined && (
            <Choices
              legend="The appliance stands"
              options={[
                ['home', 'home'],
                ['out', 'pulled out'],
              ]}
              value={isOut ? 'out' : 'home'}
              onChange={(to) => setOut(to === 'out')}
            />
          )}
        </div>
        {question && chosen && (
          <div id="reach-drawing" className="flex flex-wrap items-end gap-3 border border-rule bg-sheet p-2">
            {views.map((view) => (
              <Elevation
                key={view}
                {...{ view, question, picks, chosen, units, most, scale }}
                isOut={shownOut}
                onMove={(end, to) => setLaid((l) => movedTo(l, end, view, to, shownOut))}
              />
            ))}
          </div>
        )}
        <p className="flex flex-wrap items-center gap-3 print:hidden">
          <button type="button" className="key" onClick={() => saveDrawing('#reach-drawing svg.reach', 'line.svg', '#reach-hatch')}>
            Save the drawing (SVG)
          </button>
          <span className="min-w-0 flex-1 basis-64 text-soft">
            Drag a brass ring, or move it with the arrows. Open ring: the tightest bend. Broken lines: the other lengths as they would lie.
          </span>
        </p>
      </section>
      <div className="grid content-start gap-4 lg:row-span-2">
        <section aria-label="Lengths" className="grid gap-3" id="reach-lengths">
          {wrong && <p className="caution">{wrong}</p>}
          {chosen && <Lengths {...{ picks, chosen, units }} onPick={setPicked} />}
          {question && chosen && (
            <a className="key key-main justify-self-start no-underline" href={takeLengthTo(wanted.run, `${writeFraction(chosen.lengthIn)} in`, laid)}>
              {wanted.run ? `Use ${words(chosen.lengthIn)}` : `Match with ${words(chosen.lengthIn)}`}
            </a>
          )}
          <p className="caution">
            Bend radius and straight ends are typical: the maker’s sheet wins. A connector never goes through a wall, floor or cabinet side where it
            can chafe, and none is joined to another.
          </p>
        </section>
      </div>
      <div className="grid content-start gap-4">
        <Measured {...{ laid, lengths }} onChange={setLaid} onLengths={setLengths} />
        {question?.pulledOut && chosen && <Behind {...{ question, chosen }} facesWall={laid.inlet.faces === 'wall'} />}
        <Riser />
        <TubeCut />
        <Holes sizes={holeSizes} />
      </div>
      {chosen && (
        <AnswerBar to="reach-lengths">{`${words(chosen.lengthIn)}: ${chosen.verdict === 'fits' ? 'fits' : chosen.verdict.replace('-', ' ')}`}</AnswerBar>
      )}
    </div>
  );
}
