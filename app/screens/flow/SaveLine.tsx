import { saveDrawing, saveFile } from '../../ui/saved/index.ts';

/** The drawing and the figures of a sheet as files. @param csv made when it is asked for */
export function SaveLine({ name, drawing, csv }: { name: string; drawing: string; csv: (files: typeof import('./files.ts')) => string }) {
  return (
    <p className="flex flex-wrap gap-3 print:hidden">
      <button type="button" className="key" onClick={() => saveDrawing(drawing, `${name}.svg`)}>
        Save the drawing (SVG)
      </button>
      <button type="button" className="key" onClick={async () => saveFile(`${name}.csv`, 'text/csv', csv(await import('./files.ts')))}>
        CSV
      </button>
    </p>
  );
}
