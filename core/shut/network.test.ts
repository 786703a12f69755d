import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { brokenLinks, missing } from './network.ts';
import { drawn } from './testing.ts';

const rules = (text: string) => brokenLinks(drawn(text)).map((f) => `${f.rule} ${f.at}`);
const told = (text: string) => missing(drawn(text)).map((f) => `${f.rule} ${f.at}`);

describe('a network that is checked', () => {
  it('names doubled ids, links to nowhere and to themselves, and figures that cannot be', () => {
    assert.deepEqual(rules('s:source 0; s:outlet 1'), ['doubled-id s']);
    assert.deepEqual(rules('s:source 0; s-x'), ['to-nowhere s-x']);
    assert.deepEqual(rules('s:source 0; s|s gate works v'), ['to-itself v']);
    assert.deepEqual(rules('s:source 0; x:outlet high; s-x 0 10'), ['figure x', 'figure s-x']);
    assert.deepEqual(rules('s:source 0; x:outlet 0; s-x 0.5 -1'), ['figure s-x']);
    assert.deepEqual(rules('s:source 0; x:outlet 0; s-x; s|x gate works s-x'), ['doubled-id s-x']);
    const [fault] = brokenLinks(drawn('s:source 0; s-x'));
    assert.deepEqual([fault?.text, fault?.isHard], ['"s-x" leads to "x", which is no place.', true]);
  });
  it('tells of outlets that no source reaches, and of appliances without a stop of their own', () => {
    const stops =
      's:source 0; j:junction 0; s-j; a:outlet 0; j|a quarter-turn works va; b:outlet 0; j-b; k:junction 0; s|k gate works both; k-a2; a2:outlet 0; k-b2; b2:outlet 0';
    assert.deepEqual(told(stops), ['no-own-stop b', 'no-own-stop a2', 'no-own-stop b2']);
    assert.deepEqual(told('s:source 0; x:outlet 0; y:junction 0; x-y'), ['unreached x']);
    assert.deepEqual(told('x:outlet 0; y:junction 0; x|y'), ['no-source ']);
    assert.deepEqual(told(''), ['no-source ']);
  });
  it('takes a check or a regulator for no stop', () => {
    assert.deepEqual(told('s:source 0; x:outlet 0; s|x check works c'), ['no-own-stop x']);
    assert.deepEqual(told('s:source 0; m:junction 0; x:outlet 0; m|x regulator works r; s|m multi-turn works v'), []);
  });
});
