export { forgetOldPieces, PieceError, pictureOf, takePiece } from './pictures.ts';
