import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { InputError } from '../../errors.ts';
import type { SurgePipe, SurgeQuestion } from '../shape.ts';
import { networkOf } from './network.ts';

const PSI = 6894.757293168;
const COPPER: SurgePipe = { boreIn: 0.545, wallIn: 0.04, lengthFt: 30, modulusGpa: 117, roughnessMm: 0.0015 };
const PEX: SurgePipe = { boreIn: 0.475, wallIn: 0.075, lengthFt: 10, modulusGpa: 0.7, roughnessMm: 0.007 };
const LINE: SurgeQuestion = { pipes: [COPPER, PEX], staticPsi: 60, gpm: 2, closeMs: 0, tempF: 68, seconds: 0.3 };
const CUSHION = { volumeIn3: 3, prechargePsi: 60 };

describe('a line before its valve shuts', () => {
  it('runs steadily: pressure falls along it by friction alone, and every node passes on what it gets', () => {
    const net = networkOf(LINE);
    let last = 60 * PSI;
    for (const pipe of net.main) {
      for (let i = 0; i <= pipe.n; i++) {
        const [pa, flow] = [(pipe.right[i]! + pipe.left[i]!) / 2, (pipe.right[i]! - pipe.left[i]!) / (2 * pipe.z)];
        assert.ok(pa <= last + 1e-6, 'it rises');
        assert.ok(Math.abs(flow / net.flowM3S - 1) < 1e-9, `${flow} of ${net.flowM3S}`);
        last = pa;
      }
    }
    assert.ok(net.valve.pa > 0 && net.valve.pa < 60 * PSI, String(net.valve.pa));
    const bare = networkOf({ ...LINE, isFrictionless: true });
    assert.ok(Math.abs(bare.valve.pa - 60 * PSI) < 1e-6, 'without friction nothing falls');
  });
  it('a wave crosses each pipe in a whole number of steps, within what is told', () => {
    const net = networkOf({ ...LINE, pipes: [COPPER, PEX, { ...COPPER, lengthFt: 7.3 }] });
    net.main.forEach((pipe, k) => {
      const own = net.lengthM[k]! / net.waveMS[k]!;
      assert.ok(Math.abs(own / (pipe.n * net.dtS) - 1) <= net.fit + 1e-12, `pipe ${k}`);
    });
    assert.ok(net.fit < 0.02, String(net.fit));
  });
  it('is cut where a cushion stands away from the valve, and keeps its length', () => {
    const net = networkOf({ ...LINE, cushion: CUSHION, cushionFt: 16 });
    assert.equal(net.main.length, 3);
    assert.ok(Math.abs(net.lengthM.reduce((a, b) => a + b, 0) - 40 * 0.3048) < 1e-9);
    const at = net.nodes.findIndex((n) => n.gas !== undefined);
    assert.ok(at > 0 && net.nodes[at] !== net.valve, 'it stands at the valve');
    assert.ok(Math.abs(net.lengthM.slice(at).reduce((a, b) => a + b, 0) - 16 * 0.3048) < 1e-9, 'not 16 ft from it');
  });
  it('is not cut where it stands at the valve, or where two pipes meet anyway', () => {
    assert.equal(networkOf({ ...LINE, cushion: CUSHION }).main.length, 2);
    const atJoint = networkOf({ ...LINE, cushion: CUSHION, cushionFt: 10.02 });
    assert.equal(atJoint.main.length, 2);
    assert.ok(atJoint.nodes[1]!.gas, 'not where they meet');
  });
  it('a side line hangs where it is said, also on a pipe that a cushion cuts', () => {
    const side = { after: 0, pipes: [PEX], cushion: CUSHION };
    const net = networkOf({ ...LINE, branches: [side], cushion: CUSHION, cushionFt: 16 });
    assert.equal(net.sides.length, 1);
    // At the far end of the whole of the first pipe: two pieces of it, then the other.
    const meets = net.nodes[2]!;
    assert.deepEqual(
      meets.ends.map((e) => e.pipe),
      [net.main[1], net.main[2], net.sides[0]![0]],
    );
    assert.equal(net.nodes.filter((n) => n.gas).length, 2);
    const [shut] = net.sides[0]!.slice(-1);
    assert.ok(Math.abs(shut!.right[shut!.n]! - shut!.left[shut!.n]!) < 1e-6, 'something runs in it');
  });
  it('has as many reaches of its main line as asked for, at least, side lines besides', () => {
    const sum = (pipes: readonly { n: number }[]) => pipes.reduce((a, p) => a + p.n, 0);
    for (const reaches of [20, 120, 400]) {
      const net = networkOf({ ...LINE, reaches, branches: [{ after: 0, pipes: [{ ...COPPER, lengthFt: 20 }] }] });
      assert.ok(sum(net.main) >= reaches * 0.95 && sum(net.main) <= reaches * 1.4, `${sum(net.main)} for ${reaches}`);
    }
  });
  it('that cannot be is refused with its field', () => {
    for (const [q, field] of [
      [{ staticPsi: -1 }, 'staticPsi'],
      [{ gpm: 0 }, 'gpm'],
      [{ gpm: 30, staticPsi: 20 }, 'gpm'],
      [{ reaches: 3 }, 'reaches'],
      [{ pipes: Array.from({ length: 61 }, () => COPPER) }, 'pipes'],
      [{ cushion: CUSHION, cushionFt: 41 }, 'cushionFt'],
      [{ branches: [{ after: 0, pipes: [] }] }, 'branches[0].pipes'],
      [{ branches: [{ after: 0, pipes: [{ ...PEX, boreIn: -1 }] }] }, 'branches[0].pipes'],
      [{ tempF: Number.NaN }, 'tempF'],
    ] as const) {
      assert.throws(
        () => networkOf({ ...LINE, ...q } as SurgeQuestion),
        (fault: InputError) => fault instanceof InputError && (fault.field.startsWith(field) || fault.field.startsWith('pieces')),
        field,
      );
    }
  });
});
