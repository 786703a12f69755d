/** Sends pictures in pieces; what was begun is gone on with where the server says it stands. */
import type { DevicePictures } from './device-pictures.ts';
import { isOurs, type Later } from './push.ts';

/** Bytes of a piece: soon through, so that little is sent twice over a line that breaks. */
const PIECE = 256 * 1024;

/** Sends a piece; null where nothing came back. */
export type SendPiece = (id: string, at: number, size: number, content: ArrayBuffer) => Promise<{ status: number; text: string } | null>;

type Outbox = Pick<DevicePictures, 'next' | 'change'>;

export async function pushPictures(pictures: Outbox, send: SendPiece): Promise<{ state: 'all sent' } | { state: 'later'; why: Later }> {
  /** Places that the server named of a picture and that brought it no further: it does not get on. */
  let stuck = 0;
  for (let picture = await pictures.next(); picture; picture = await pictures.next()) {
    const { id, have, size, content } = picture;
    const answer = await send(id, have, size, content!.slice(have, have + PIECE));
    if (answer === null) return { state: 'later', why: 'no connection' };
    const said = read(answer.text);
    if (answer.status === 200 && typeof said.have === 'number') {
      stuck = 0;
      await pictures.change(id, said.isWhole ? { status: 'sent', content: null, have: size } : { have: said.have });
    } else if (answer.status === 409 && isOurs(said) && typeof said.have === 'number') {
      // It was sent before and the answer was lost, or what was begun is forgotten.
      stuck += 1;
      if (stuck > 3) return { state: 'later', why: 'server busy' };
      await pictures.change(id, { have: said.have });
    } else if ((answer.status === 422 || answer.status === 400) && isOurs(said)) {
      await pictures.change(id, { status: 'refused', why: said.detail ?? 'It was not taken.' });
    } else if (answer.status === 401 || answer.status === 403) return { state: 'later', why: 'sign in' };
    else return { state: 'later', why: answer.status >= 500 || answer.status === 429 ? 'server busy' : 'no connection' };
  }
  return { state: 'all sent' };
}

function read(text: string): { type?: string; have?: number; isWhole?: boolean; detail?: string } {
  try {
    return JSON.parse(text) ?? {};
  } catch {
    return {};
  }
}
