import type { CsvFault } from '../../ui/form/index.ts';

type Line = {
  progress?: { step: 'reading' | 'keeping'; done: number; of: number };
  done?: boolean;
  parts?: number;
  faults?: CsvFault[];
  problem?: { detail: string };
};

/** Lines of JSON as they come in. */
export async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<Line> {
  const reader = body.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader();
  let rest = '';
  for (let part = await reader.read(); !part.done; part = await reader.read()) {
    const lines = (rest + part.value).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) if (line !== '') yield JSON.parse(line) as Line;
  }
  if (rest !== '') yield JSON.parse(rest) as Line;
}
