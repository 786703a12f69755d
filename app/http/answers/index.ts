export { type Analysis, analysisOf } from './analysis.ts';
export { cardPdf, cardSvg } from './card-file.ts';
export { type CertificatePage, certificateAsked } from './certificate.ts';
export { pictureAnswer } from './picture-answer.ts';
export { runAnswer } from './run-answer.ts';
export { type RunCard, runCardAsked } from './run-card.ts';
export { queryOf, rulesOf } from './shop-match.ts';
export { tagsAsked } from './tags.ts';
export { visitAnswer } from './visit-answer.ts';
