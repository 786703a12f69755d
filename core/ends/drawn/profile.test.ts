import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { allEndCodes, parseEnd } from '../code.ts';
import { endProfile } from './profile.ts';
import { engagedIn } from './thread-profile.ts';

describe('the section of an end', () => {
  const all = allEndCodes.map((code) => ({ code, end: parseEnd(code), p: endProfile(parseEnd(code)) }));

  it('has a bore within its body, and a length', () => {
    for (const { code, p } of all) {
      assert.ok(p.boreRadiusIn > 0 && p.boreRadiusIn < p.bodyRadiusIn, code);
      assert.ok(p.lengthIn > 0 && p.depthIn >= 0 && p.depthIn < p.lengthIn, code);
    }
  });

  it('goes on into the part where its outline ends', () => {
    for (const { code, p } of all) {
      const [outer, inner] = [p.outer.at(-1)!, p.inner.at(-1)!];
      assert.ok(Math.abs(outer[0] + p.lengthIn) < 1e-9 && Math.abs(outer[1] - p.bodyRadiusIn) < 1e-9, code);
      assert.ok(Math.abs(inner[0] + p.lengthIn) < 1e-9 && Math.abs(inner[1] - p.boreRadiusIn) < 1e-9, code);
    }
  });

  it('reaches the major diameter of its thread, and no further than it with a male', () => {
    for (const { code, end, p } of all) {
      if (end.kind !== 'thread' || end.gender !== 'm' || end.thread.tapered) continue;
      const crest = end.thread.externalMajorIn / 2;
      assert.ok(
        p.outer.some(([x, y]) => x > -engagedIn(end) && Math.abs(y - crest) < 1e-9),
        code,
      );
      assert.ok(
        p.outer.every(([x, y]) => x < -engagedIn(end) || y <= crest + 1e-9),
        code,
      );
    }
  });

  it('engages whole pitches, two at least', () => {
    for (const { code, end } of all) {
      if (end.kind !== 'thread') continue;
      const pitches = engagedIn(end) * end.thread.threadsPerIn;
      assert.ok(pitches >= 2 && Math.abs(pitches - Math.round(pitches)) < 1e-9, code);
    }
  });

  it('narrows its bore to the insert of a hose', () => {
    assert.equal(endProfile(parseEnd('ght-3/4-f'), 0.2).boreRadiusIn, 0.2);
    assert.ok(endProfile(parseEnd('ght-3/4-f')).boreRadiusIn > 0.2);
  });
});
