export { Picture } from './Picture.tsx';
export { takePicture } from './take-picture.ts';
export { useAddPictures } from './use-add-pictures.ts';
