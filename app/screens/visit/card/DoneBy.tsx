import { useEffect, useState } from 'react';
import type { Minutes } from '../../../../record/index.ts';
import { localTime } from '../../../ui/words.ts';

const MINUTE_MS = 60_000;

/** When the card is done by the clock of the place, were it gone on with now: as it usually goes, and where it goes slowly. */
export function DoneBy({ left, timeZone }: { left: Minutes; timeZone: string }) {
  const [nowMs, setNowMs] = useState<number | null>(null);
  useEffect(() => {
    setNowMs(Date.now());
    const timer = setInterval(() => setNowMs(Date.now()), MINUTE_MS / 2);
    return () => clearInterval(timer);
  }, []);
  if (nowMs === null) return null;
  const at = (minutes: number) => localTime(nowMs + minutes * MINUTE_MS, timeZone).slice(-5);
  return <span>{left.slow > left.usual ? `: done at ${at(left.usual)} to ${at(left.slow)}` : `, ${at(left.usual)}`}</span>;
}
