import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { waterAt } from '../../flow/water.ts';
import { impedance, waveSpeed } from './wave.ts';

const FT = 0.3048;
const tube = (boreIn: number, wallIn: number, gpa: number) => ({ boreM: boreIn * 0.0254, wallM: wallIn * 0.0254, modulusPa: gpa * 1e9 });

describe('how fast a wave runs', () => {
  const water = waterAt(68);
  it('in a wall that gives nothing is sound in water: 1,482 m/s at 20 C', () => {
    assert.ok(Math.abs(waveSpeed(tube(0.5, 1, 1e9), water) / 1482 - 1) < 0.005, String(waveSpeed(tube(0.5, 1, 1e9), water)));
  });
  it('in copper and steel is some 4,000 to 4,600 ft/s, in plastic a third of that', () => {
    const inCopper = waveSpeed(tube(0.545, 0.04, 117), water) / FT;
    const inSteel = waveSpeed(tube(0.622, 0.109, 200), water) / FT;
    const inPex = waveSpeed(tube(0.475, 0.075, 0.7), water) / FT;
    assert.ok(inCopper > 4100 && inCopper < 4500 && inSteel > 4600 && inSteel < 4800, `${inCopper}, ${inSteel}`);
    assert.ok(inPex > 900 && inPex < 1300, String(inPex));
  });
  it('falls as the wall is thinner, as the bore is wider, as the stuff is softer', () => {
    const at = (boreIn: number, wallIn: number, gpa: number) => waveSpeed(tube(boreIn, wallIn, gpa), water);
    assert.ok(at(0.5, 0.02, 100) < at(0.5, 0.04, 100), 'thinner');
    assert.ok(at(1, 0.04, 100) < at(0.5, 0.04, 100), 'wider');
    assert.ok(at(0.5, 0.04, 1) < at(0.5, 0.04, 100), 'softer');
  });
  it('stopping a foot a second in a stiff pipe costs some 64 psi', () => {
    const boreM = 0.02;
    const perFlow = impedance(boreM, 1480, 998.2);
    const flow = FT * (Math.PI / 4) * boreM ** 2;
    assert.ok(Math.abs((perFlow * flow) / 6894.757 / 65.3 - 1) < 0.01, String((perFlow * flow) / 6894.757));
  });
});
