/** A picture chosen or taken on this device: made smaller where it is too large, stripped of what it does not show, kept here, and sent when it can be. */
import { MOST_BYTES, PictureError, type PictureType, stripped } from '../../../record/index.ts';
import { sync } from '../../../sync/run.ts';

/** Longer side of what is made smaller, and of the small one in lists, pixels. */
const LARGE_PX = 4096;
const SMALL_PX = 480;
const TAKEN: readonly string[] = ['image/jpeg', 'image/png', 'image/webp'];

export interface Taken {
  picture: string;
  type: PictureType;
  width: number;
  height: number;
}

/** @throws Error in words for a person: no picture, damaged, or not kept */
export async function takePicture(file: Blob): Promise<Taken> {
  const whole = file.size <= MOST_BYTES && TAKEN.includes(file.type) ? file : await drawn(file, LARGE_PX, 'image/jpeg', 0.85);
  const { type, width, height, bytes } = stripped(new Uint8Array(await whole.arrayBuffer()));
  const content = bytes.slice().buffer as ArrayBuffer;
  const picture = hex(await crypto.subtle.digest('SHA-256', content));
  const small = await drawn(new Blob([content], { type }), SMALL_PX, 'image/webp', 0.78).catch(() => null);
  await sync.keepPicture({ id: picture, type, size: content.byteLength, content, small });
  return { picture, type, width, height };
}

const hex = (digest: ArrayBuffer): string => [...new Uint8Array(digest)].map((b) => b.toString(16).padStart(2, '0')).join('');

/** The picture drawn anew, no larger than that. @throws PictureError for what the browser cannot draw */
async function drawn(file: Blob, most: number, type: string, quality: number): Promise<Blob> {
  const image = await createImageBitmap(file).catch(() => null);
  if (!image) throw new PictureError('This browser cannot read that picture. Choose one in JPEG, PNG or WebP.');
  const scale = Math.min(1, most / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.max(1, Math.round(image.width * scale)), Math.max(1, Math.round(image.height * scale))];
  const context = canvas.getContext('2d')!;
  if (type === 'image/jpeg') {
    context.fillStyle = 'white';
    context.fillRect(0, 0, canvas.width, canvas.height);
  }
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  image.close();
  return new Promise((done, failed) =>
    canvas.toBlob((blob) => (blob ? done(blob) : failed(new PictureError('The picture could not be made smaller.'))), type, quality),
  );
}
