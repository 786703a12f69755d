export { exportBook, importBook } from './book-file.ts';
export { type Cells, CsvFileError, isEnough, isFault, type RowFault, rowsOf } from './csv-rows.ts';
export { ImportError } from './import-error.ts';
export { readFile } from './parse-apart.ts';
export { importPremises } from './premises-file.ts';
export { entriesCsv, jointsCsv } from './record-csv.ts';
export { exportShop, importShop, shopFileSchema } from './shop-file.ts';
export { exportVisit, importVisit, visitFile, visitFileSchema } from './visit-file.ts';
export { exportWater, importWater, waterFile, waterFileSchema } from './water-file.ts';
