/** Every pair of end codes judged once: what a search asks again and again, as numbers. */
import { allEndCodes, type EndCode, type LooseCode, mate } from '../../ends/index.ts';
import { type SealId, seals } from '../../rows/index.ts';

export const NO = 0;
export const MARGINAL = 1;
export const SEALS = 2;
export const FALSE_START = 3;

const VERDICTS = { no: NO, marginal: MARGINAL, seals: SEALS, 'false-start': FALSE_START } as const;

export interface PairTable {
  /** By first code x number of codes + second. */
  verdict: Uint8Array;
  /** Place of the seal in the table of seals; meaningless where nothing seals. */
  seal: Uint8Array;
  /** Place in `looseSets` of the loose pieces the joint takes. */
  loose: Uint8Array;
  looseSets: LooseCode[][];
  /** For each code, the codes it seals with or may. */
  partners: Uint16Array[];
}

const numbers = new Map(allEndCodes.map((code, i) => [code, i]));

export const codeCount = allEndCodes.length;

/** A code's place among all codes; -1 for what is no code. */
export const codeNumber = (code: EndCode): number => numbers.get(code) ?? -1;

export const codeOf = (n: number): EndCode => allEndCodes[n] as EndCode;

export const sealNumber = new Map<SealId, number>(seals.map((s, i) => [s.id, i]));

let made: PairTable | null = null;

/** House rules change turns and sealants, never a verdict, a seal or a loose piece: one table serves all. */
export function pairTable(): PairTable {
  made ??= makeTable();
  return made;
}

function makeTable(): PairTable {
  const n = codeCount;
  const table: PairTable = {
    verdict: new Uint8Array(n * n),
    seal: new Uint8Array(n * n),
    loose: new Uint8Array(n * n),
    looseSets: [[]],
    partners: [],
  };
  const setNumber = new Map([['', 0]]);
  for (let a = 0; a < n; a++) {
    for (let b = a; b < n; b++) {
      const m = mate(codeOf(a), codeOf(b));
      if (m.verdict === 'no') continue;
      const key = m.loose.join(' ');
      let set = setNumber.get(key);
      if (set === undefined) {
        set = table.looseSets.length;
        setNumber.set(key, set);
        table.looseSets.push(m.loose);
      }
      for (const at of [a * n + b, b * n + a]) {
        table.verdict[at] = VERDICTS[m.verdict];
        table.seal[at] = m.seal === null ? 0 : (sealNumber.get(m.seal) as number);
        table.loose[at] = set;
      }
    }
  }
  for (let a = 0; a < n; a++) {
    const row = table.verdict.subarray(a * n, a * n + n);
    const partners: number[] = [];
    for (let b = 0; b < n; b++) if (row[b] === SEALS || row[b] === MARGINAL) partners.push(b);
    table.partners.push(Uint16Array.from(partners));
  }
  return table;
}
