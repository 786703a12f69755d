import { useCallback, useEffect, useRef, useState } from 'react';
import { type LetOut, type PressureReading, Thinned } from '../../../../core/index.ts';
import { forThisShop } from '../../../../sync/shop-here.ts';

export interface GaugeState {
  line: { id: string; name: string; gaugeSigmaPsi: number } | null;
  /** Means of equal blocks since the last let-out, and how many readings each is the mean of. */
  readings: readonly PressureReading[];
  blockSize: number;
  letOut: LetOut[];
  last: PressureReading | null;
  lost: number;
  /** Why there is none; null while there is. */
  fault: string | null;
}

const NOTHING: GaugeState = { line: null, readings: [], blockSize: 1, letOut: [], last: null, lost: 0, fault: null };
/** The screen is brought up so often, whatever the gauge sends, ms. */
const SHOW_MS = 200;

/** A gauge that logs, as it goes: memory is bounded however long it hangs. */
export function useGauge() {
  const [state, setState] = useState<GaugeState>(NOTHING);
  const source = useRef<EventSource | null>(null);
  const held = useRef({ thinned: new Thinned(), ...NOTHING });
  const off = useCallback(() => {
    source.current?.close();
    source.current = null;
  }, []);
  useEffect(() => {
    const timer = setInterval(() => {
      if (!source.current) return;
      const { thinned, ...now } = held.current;
      setState({ ...now, readings: [...thinned.readings], blockSize: thinned.blockSize });
    }, SHOW_MS);
    return () => {
      clearInterval(timer);
      off();
    };
  }, [off]);
  const hang = useCallback(
    (scenario: string, speed: number) => {
      off();
      held.current = { thinned: new Thinned(), ...NOTHING };
      setState(NOTHING);
      const stream = new EventSource(forThisShop(`/api/v1/gauge/stream?scenario=${scenario}&speed=${speed}`));
      source.current = stream;
      stream.onmessage = ({ data }) => {
        const said = JSON.parse(data) as { line?: GaugeState['line']; reading?: PressureReading; lost?: number; letOut?: LetOut };
        const now = held.current;
        if (said.line) now.line = said.line;
        if (said.lost !== undefined) now.lost += 1;
        if (said.letOut) {
          // The pressure stepped down: what was read before is of another height.
          now.letOut = [...now.letOut, said.letOut];
          now.thinned = new Thinned();
        } else if (said.reading) {
          now.last = said.reading;
          now.thinned.add(said.reading);
        }
      };
      stream.onerror = () => {
        const fault = held.current.line ? 'The gauge fell silent. What it read stands; hang it on again to go on.' : 'No gauge answers.';
        held.current.fault = fault;
        setState((was) => ({ ...was, fault }));
        off();
      };
    },
    [off],
  );
  const letOut = useCallback(async (ml: number) => {
    const id = held.current.line?.id;
    if (id === undefined) return;
    const answer = await fetch(forThisShop(`/api/v1/gauge/lines/${id}/let-out`), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ml }),
    }).catch(() => null);
    if (!answer?.ok) held.current.fault = 'It was not let out: does the gauge still answer?';
  }, []);
  return { state, hang, letOut, off };
}
