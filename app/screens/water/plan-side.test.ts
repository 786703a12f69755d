import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { missingInNetwork, planIsolation, type WaterNetwork, wetPlaces } from '../../../core/index.ts';
import { drawn } from '../../../core/shut/testing.ts';
import type { WaterThing } from '../../../record/premises/states.ts';
import { namesOf } from '../../ui/water-words.ts';
import { AsList, Faults } from './AsList.tsx';
import { PlanSide } from './PlanSide.tsx';
import { Thing } from './Thing.tsx';

const HOUSE = drawn(`street:source -4; m:junction -4; heater:heater -9; up:junction 10; basin:outlet 12; bath:outlet 11; tap:outlet 2; slop:outlet 2
  street|m gate unknown main; m|heater multi-turn works heater-valve; heater-up 0.785 200; up|basin quarter-turn works basin-stop; up-bath; m|tap gate works tap-stop; m|slop gate seized-shut slop-stop`);

/** As it is read: without its tags. */
const wordsOf = (html: string): string =>
  html
    .replace(/<\/(p|li|h2|h3|button|summary)>/g, '\n')
    .replace(/<[^>]+>/g, '')
    .replaceAll('&#x27;', "'")
    .replaceAll('&quot;', '"');

function planned(net: WaterNetwork, workOn: string[], struckOut: string[] = []): string {
  const plan = planIsolation(net, { workOn, struckOut });
  return wordsOf(
    renderToStaticMarkup(
      createElement(PlanSide, { net, plan, workOn, struckOut, nameOf: namesOf(net, 'inch'), onStrike: () => {}, onPasses: () => {} }),
    ),
  );
}

describe('the plan beside the drawing', () => {
  it('says what to close and that nobody else goes dry, what was dry before left out', () => {
    const words = planned(HOUSE, ['basin']);
    assert.match(words, /^basin\n/);
    assert.match(words, /Close one valve\n/);
    assert.match(words, /1.*quarter-turn, holds/);
    assert.match(words, /Without water meanwhile\nNobody else\.\n/);
    assert.match(words, /No other outlet loses its water\. Without water before it: "slop"\./);
    assert.doesNotMatch(words, /Energy off/);
  });
  it('turns the energy off first where the heater loses its water, says how much comes out and by what', () => {
    const words = planned(HOUSE, ['up']);
    assert.match(words, /Energy off: "?heater"?\. Electric: its breaker\. Gas: to pilot or off\. Without water it burns out\./);
    assert.match(words, /2 outlets: /);
    assert.match(words, /0\.1 gal stands above the work and below the drain: it comes out at the joint\./);
    assert.match(words, /bath.* open, and a minute waited\. Has it stopped\?\nIt stopped\nIt runs on\n/);
    // The way back ends with the energy, the plan with what comes next.
    assert.match(words, /Should it not hold\nclose main: 3 outlets without water\n/);
    assert.match(words, /The way back[\s\S]*Energy on: /);
  });
  it('lists what is struck out with its way back, and says when only the street is left', () => {
    const out = planned(HOUSE, ['basin'], ['basin-stop']);
    assert.match(out, /Struck out\n.*It holds after all/);
    assert.match(out, /Close one valve\n.*multi-turn, holds/);
    const none = planned(HOUSE, ['m']);
    assert.match(none, /gate, never tried/);
    assert.match(
      planned(HOUSE, ['m'], ['main']),
      /No valve keeps the water from .*: call the water company for the valve in the street, or stop the source\. Water running/,
    );
  });
  it('names what it relies on that is stuck shut, and says that nothing is to be closed where no water comes', () => {
    const words = planned(HOUSE, ['slop']);
    assert.match(words, /Nothing to close: no water comes there/);
    assert.match(words, /It relies on what is stuck shut: /);
  });
});

describe('the list beside the drawing', () => {
  const list = (workOn: string[], struckOut: string[] = []) => {
    const plan = planIsolation(HOUSE, { workOn, struckOut });
    const wet = wetPlaces(HOUSE, plan.possible ? plan.close : [], struckOut);
    return wordsOf(
      renderToStaticMarkup(createElement(AsList, { net: HOUSE, plan, struckOut, wet, nameOf: namesOf(HOUSE, 'inch'), onSelect: () => {} })),
    );
  };
  it('begins with what is closed and what is struck out, and says of every place whether water comes to it', () => {
    const rows = list(['basin'], ['basin-stop'])
      .split('\n')
      .filter((r) => r !== '');
    assert.match(rows[1]!, /close, 1, multi-turn, holds$/);
    assert.match(rows[2]!, /struck out, quarter-turn, holds$/);
    assert.deepEqual(rows.filter((r) => /^(basin|bath|slop) dry$/.test(r)).length, 3);
    assert.ok(rows.includes('tap has water'), rows.join(' | '));
    assert.ok(
      rows.some((r) => /^heater heater, dry$/.test(r)),
      'the heater',
    );
  });
  it('stands by levels from the top, and keeps where lines part for who follows the pipe', () => {
    const words = list(['tap']);
    const levels = [...words.matchAll(/([+-]?\d+) ft(?=[a-z\n])/g)].map((m) => Number(m[1]));
    assert.deepEqual(levels.slice(0, 4), [12, 11, 2, -4]);
    assert.match(words, /Where lines part or end: 2/);
  });
  it('tells what is missing by its name', () => {
    const faults = missingInNetwork(HOUSE);
    const words = wordsOf(renderToStaticMarkup(createElement(Faults, { faults, onSelect: () => {} })));
    assert.match(words, /^1 thing to look at in the drawing\n"bath" has no stop of its own\.\n+$/);
    assert.equal(renderToStaticMarkup(createElement(Faults, { faults: [], onSelect: () => {} })), '');
  });
});

describe('what is pressed in the drawing', () => {
  const shown = (thing: WaterThing, more: { isWork?: boolean; isStruck?: boolean } = {}) =>
    wordsOf(
      renderToStaticMarkup(
        createElement(Thing, {
          thing,
          net: HOUSE,
          nameOf: namesOf(HOUSE, 'inch'),
          isWork: false,
          isStruck: false,
          runsLeft: [],
          onWork: () => {},
          onStrike: () => {},
          onTried: () => {},
          onDraw: () => {},
          onGone: () => {},
          onClose: () => {},
          ...more,
        }),
      ),
    );
  it('may be the work, is tried or struck out where it is a valve, and leads on where it is a place', () => {
    const valve = shown({ what: 'valve', ...HOUSE.valves[1]! });
    assert.match(valve, /The work is here\nStrike it out\nTried: it holds/);
    assert.doesNotMatch(valve, /What comes next/);
    const place = shown({ what: 'place', ...HOUSE.places.find((p) => p.id === 'up')! });
    assert.match(place, /What comes next from here a valve a pipe to where it parts an outlet a heater what is drawn already/);
    assert.doesNotMatch(place, /Strike it out/);
    assert.match(shown({ what: 'pipe', ...HOUSE.pipes[0]! }), /A valve is in it, of kind quarter-turn multi-turn gate/);
  });
  it('says what the press would do next, and how a thing is taken out again', () => {
    assert.match(shown({ what: 'valve', ...HOUSE.valves[1]! }, { isWork: true, isStruck: true }), /Not the work after all\nCount on it again\n/);
    assert.match(shown({ what: 'place', ...HOUSE.places[0]! }), /Take it out of the drawing/);
  });
});
