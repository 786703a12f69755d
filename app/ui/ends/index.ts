export { EndLookup } from './EndLookup.tsx';
export { EndPicker } from './EndPicker.tsx';
export { type EndDoubt, type EndWanted, endBrought, endWanted, lookupAddress, takeEndTo } from './end-wanted.ts';
export { lengthBrought, reachAddress, reachWanted, takeLengthTo } from './reach-wanted.ts';
export { usualEnds } from './usual-ends.ts';
