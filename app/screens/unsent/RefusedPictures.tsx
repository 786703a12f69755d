import { useEffect, useState } from 'react';
import type { KeptPicture } from '../../../sync/device-schema.ts';
import { sync } from '../../../sync/run.ts';
import { Picture } from '../../ui/pictures/index.ts';

/** Pictures that the server would not have: each is sent again, or put away; the picture itself stays on this device. */
export function RefusedPictures() {
  const [pictures, setPictures] = useState<KeptPicture[]>([]);
  useEffect(() => {
    const read = async () => {
      try {
        setPictures(await (await sync.device()).pictures.refused());
      } catch {
        // That nothing is kept here is said on the strip.
      }
    };
    read();
    return sync.subscribe(read);
  }, []);
  const change = async (id: string, status: KeptPicture['status']) => {
    await (await sync.device()).pictures.change(id, { status, have: 0 });
    sync.hurry();
  };
  return pictures.map((p) => (
    <section key={p.id} aria-label="Picture not taken" className="mt-5 flex flex-wrap items-center gap-3">
      <Picture id={p.id} text="Picture that was not taken" className="h-24 w-32" />
      <p className="caution min-w-0 flex-1">{p.why}</p>
      <button type="button" className="key" onClick={() => change(p.id, 'waiting')}>
        Send it again
      </button>
      <button type="button" className="key" onClick={() => change(p.id, 'put away')}>
        Put it away
      </button>
    </section>
  ));
}
