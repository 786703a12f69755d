import { useEffect, useState } from 'react';
import { clock } from '../../../ui/words.ts';

/** A clock that is started by hand and runs down. */
export function Timer({ seconds }: { seconds: number }) {
  const [began, setBegan] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (began === null) return;
    const timer = setInterval(() => setNow(performance.now()), 500);
    return () => clearInterval(timer);
  }, [began]);
  if (began === null) {
    return (
      <button
        type="button"
        className="key key-glove mt-2"
        onClick={() => {
          setBegan(performance.now());
          setNow(performance.now());
        }}
      >
        Start {clock(seconds)}
      </button>
    );
  }
  const left = seconds - (now - began) / 1000;
  return (
    <p className="font-head text-3xl font-semibold" role="timer">
      {left > 0 ? `${clock(left)} to go` : `${clock(seconds)} over`}
    </p>
  );
}
