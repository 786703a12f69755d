import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { InputError } from '../../../../core/index.ts';
import { readGaugeCsv, writeGaugeCsv } from './log-csv.ts';

const figure = fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e6, max: 1e6 }).map((x) => x + 0);
const plain = { noNullPrototype: true } as const;
const log = fc.record(
  {
    readings: fc.array(fc.record({ minutes: figure, psi: figure, tempF: figure }, plain)),
    letOut: fc.array(fc.record({ ml: figure, psiBefore: figure, psiAfter: figure }, plain)),
  },
  plain,
);

describe('a gauge log as a file', () => {
  it('comes back as it went', () => {
    fc.assert(fc.property(log, (l) => assert.deepEqual(readGaugeCsv(writeGaugeCsv(l)), structuredClone(l))));
  });

  it('is read with its columns in any order, more of them, and blank lines', () => {
    const text = '\ufeffnote,Temp_F,psi,minutes\n"begun, at last",66,60.1,0\n\n,66.1,60,1\n';
    assert.deepEqual(readGaugeCsv(text), {
      readings: [
        { minutes: 0, psi: 60.1, tempF: 66 },
        { minutes: 1, psi: 60, tempF: 66.1 },
      ],
      letOut: [],
    });
  });

  it('is refused by line and column', () => {
    const refused = (text: string, field: RegExp) =>
      assert.throws(
        () => readGaugeCsv(text),
        (e: unknown) => e instanceof InputError && field.test(e.field),
      );
    refused('', /line 1/);
    refused('a,b\n1,2', /line 1/);
    refused('minutes,psi,temp_f\n0,60,66\n1,sixty,66', /row 2, psi/);
    refused('minutes,psi,temp_f\n0,60,', /row 1, temp_f/);
    refused('minutes,psi,temp_f,let_out_ml,psi_after\n,60,,5,', /row 1, psi_after/);
  });
});
