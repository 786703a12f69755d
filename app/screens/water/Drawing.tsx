import { useCallback, useEffect, useRef, useState } from 'react';
import { Legend } from './Legend.tsx';
import { Schema, type SchemaProps } from './Schema.tsx';

type Props = Omit<SchemaProps, 'isWhole' | 'zoom' | 'opened' | 'onOpen'>;

const ZOOMS = [0.4, 0.6, 0.8, 1, 1.3];
const NOTHING: readonly string[] = [];

/** The sheet with the drawing: larger and smaller, everything or what the work has to do with. */
export function Drawing(props: Props) {
  const { workOn, plan } = props;
  const [zoom, setZoom] = useState(ZOOMS.indexOf(1));
  const [isWhole, setWhole] = useState(false);
  const [opened, setOpened] = useState(NOTHING);
  const open = useCallback((id: string) => setOpened((now) => [...now, id]), []);
  const sheet = useRef<HTMLElement>(null);
  const shown = `${workOn.join()} ${plan?.possible ? plan.close.join() : ''} ${isWhole} ${zoom}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only when something else is shown, so that nobody's own scrolling is undone
  useEffect(() => {
    if (sheet.current) bringIntoView(sheet.current);
  }, [shown]);
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 print:hidden">
        <Legend />
        <span className="ml-auto flex gap-2">
          <button type="button" className="key" aria-label="Smaller" disabled={zoom === 0} onClick={() => setZoom(zoom - 1)}>
            −
          </button>
          <button type="button" className="key" aria-label="Larger" disabled={zoom === ZOOMS.length - 1} onClick={() => setZoom(zoom + 1)}>
            +
          </button>
          <button
            type="button"
            className="key"
            aria-pressed={isWhole}
            onClick={() => {
              setWhole(!isWhole);
              setOpened(NOTHING);
            }}
          >
            The whole house
          </button>
        </span>
      </div>
      <section ref={sheet} aria-label="The drawing" tabIndex={0} className="max-h-[70vh] overflow-auto border border-rule bg-paper print:hidden">
        <Schema {...props} {...{ isWhole, opened }} zoom={ZOOMS[zoom]!} onOpen={open} />
      </section>
    </>
  );
}

/** The work and the valves that are closed, in the middle of the sheet, unless all of them are seen as it stands. */
function bringIntoView(sheet: HTMLElement): void {
  const marks = [...sheet.querySelectorAll('.work, .worked, .closed')].map((m) => m.getBoundingClientRect());
  if (marks.length === 0) return;
  const outer = sheet.getBoundingClientRect();
  const all = {
    left: Math.min(...marks.map((m) => m.left)),
    right: Math.max(...marks.map((m) => m.right)),
    top: Math.min(...marks.map((m) => m.top)),
    bottom: Math.max(...marks.map((m) => m.bottom)),
  };
  if (all.left >= outer.left && all.right <= outer.right && all.top >= outer.top && all.bottom <= outer.bottom) return;
  sheet.scrollLeft += (all.left + all.right) / 2 - outer.left - outer.width / 2;
  sheet.scrollTop += (all.top + all.bottom) / 2 - outer.top - outer.height / 2;
}
