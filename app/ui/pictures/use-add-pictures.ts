import { useState } from 'react';
import { say, saying } from '../book/index.ts';
import { takePicture } from './take-picture.ts';

/** Whose picture it is, and what it shows; nothing: of the visit as a whole. */
export interface PictureAbout {
  runId?: string;
  shows?: string;
  text?: string;
}

export interface AddingPictures {
  /** Whether all of them were kept. */
  add: (files: Iterable<File> | null, about: PictureAbout) => Promise<boolean>;
  isBusy: boolean;
  /** Which could not be taken, and why; '' while all could. */
  fault: string;
}

/** Takes pictures into a visit: cut and kept on this device at once, sent when it can be. */
export function useAddPictures(visitId: string): AddingPictures {
  const [isBusy, setBusy] = useState(false);
  const [fault, setFault] = useState('');
  const add = async (files: Iterable<File> | null, about: PictureAbout): Promise<boolean> => {
    setFault('');
    setBusy(true);
    const faults: string[] = [];
    for (const one of files ?? []) {
      try {
        const taken = await takePicture(one);
        await say([saying('visit', visitId, 'pictured', { ...taken, ...about })], 'Picture added');
      } catch (error) {
        faults.push(`${one.name}: ${(error as Error).message}`);
      }
    }
    setBusy(false);
    setFault(faults.join(' '));
    return faults.length === 0;
  };
  return { add, isBusy, fault };
}
