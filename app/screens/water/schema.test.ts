import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { type IsolationPlan, planIsolation, wetPlaces } from '../../../core/index.ts';
import { drawn } from '../../../core/shut/testing.ts';
import { namesOf } from '../../ui/water-words.ts';
import { Schema, type SchemaProps } from './Schema.tsx';

const NET =
  drawn(`street:source -4; main:junction -4; tee:junction -4; heater:heater -9; a:junction 0; b:junction 0; cold:outlet 2; hot:outlet 2; shower:mixer 3; wc:outlet 1
  street|main gate works main-valve; main-tee; tee-heater; tee-a; heater-b; a|cold quarter-turn passes cold-stop; b|hot quarter-turn unknown hot-stop; a|wc gate seized-shut wc-stop; a-shower; b-shower`);

function draw(workOn: string[], more: Partial<SchemaProps> = {}) {
  const struckOut = more.struckOut ?? [];
  const plan: IsolationPlan | null = workOn.length === 0 ? null : planIsolation(NET, { workOn, struckOut });
  const props: SchemaProps = {
    net: NET,
    plan,
    workOn,
    struckOut,
    isWhole: true,
    zoom: 1,
    opened: [],
    selected: null,
    nameOf: namesOf(NET, 'inch'),
    onSelect: () => {},
    onOpen: () => {},
    ...more,
  };
  const html = renderToStaticMarkup(createElement(Schema, props));
  const count = (pattern: RegExp) => html.match(new RegExp(pattern, 'g'))?.length ?? 0;
  return { html, count, plan };
}

describe('the drawing of a house', () => {
  it('shows every outlet, every valve with how it is, hot and cold by their own lines; nothing is closed without work', () => {
    const { html, count } = draw([]);
    assert.equal(count(/class="cup"/), 4);
    assert.equal(count(/<title>/), 4);
    assert.ok(count(/class="hot"/) > 0 && count(/class="cold"/) > 0, 'both waters');
    assert.equal(count(/valve closed/), 0);
    // What does not shut and what is stuck shut are barred; what nobody tried is asked.
    assert.equal(count(/class="bad"/), 2);
    assert.equal(count(/class="query"/), 1);
    // Behind what is stuck shut it is dry already.
    assert.equal(count(/class="hatched"/), 1);
    assert.match(html, /^<svg class="schema"[^>]*role="img" aria-label="[^"]+"/);
  });
  it('numbers what is closed in the order of the list, rings the work, hatches who is dry', () => {
    const { count, plan, html } = draw(['cold']);
    assert.ok(plan?.possible, 'a plan');
    assert.equal(count(/valve closed/), plan.close.length);
    for (let n = 1; n <= plan.close.length; n++) assert.match(html, new RegExp(`class="ball-number"[^>]*>${n}<`));
    assert.equal(count(/class="work"/), 1);
    const wet = wetPlaces(NET, plan.close);
    const isDry = (p: (typeof NET.places)[number]) => (p.kind === 'outlet' || p.kind === 'mixer') && !wet.has(p.id);
    assert.equal(count(/class="hatched"/), NET.places.filter(isDry).length);
    assert.ok(html.includes('drain'), 'where it drains');
  });
  it('crosses a valve that is struck out, and marks what is pressed', () => {
    const { count, plan } = draw(['hot'], { struckOut: ['hot-stop'], selected: 'main-valve' });
    assert.equal(count(/class="struck"/), 1);
    assert.ok(plan?.possible && !plan.close.includes('hot-stop'), 'not that one');
    assert.equal(count(/<circle class="selected"/), 1);
  });
  it('folds what the work has nothing to do with, by count and name, and opens it at a press', () => {
    const house = drawn(`street:source 0; t:junction 0; r:junction 0; o1:outlet 1; o2:outlet 1; o3:outlet 1; tap:outlet 1
      street|t gate works main; t|r gate works room; r-o1; r-o2; r-o3; t|tap gate works own`);
    const plan = planIsolation(house, { workOn: ['tap'] });
    const base: SchemaProps = {
      net: house,
      plan,
      workOn: ['tap'],
      struckOut: [],
      isWhole: false,
      zoom: 1,
      opened: [],
      selected: null,
      nameOf: namesOf(house, 'inch'),
      onSelect: () => {},
      onOpen: () => {},
    };
    const html = (more: Partial<SchemaProps> = {}) => renderToStaticMarkup(createElement(Schema, { ...base, ...more }));
    assert.match(html(), /class="fold"[\s\S]*class="count"[^>]*>3</);
    assert.equal(html().match(/class="cup"/g)!.length, 1);
    assert.doesNotMatch(html({ opened: ['r'] }), /class="fold"/);
    assert.equal(html({ opened: ['r'] }).match(/class="cup"/g)!.length, 4);
    assert.equal(html({ isWhole: true }).match(/class="cup"/g)!.length, 4);
  });
  it('is as large as it is asked to be, and shortens a name that would run into its neighbours', () => {
    const width = (zoom: number) => Number(/width="([\d.]+)"/.exec(draw([], { zoom }).html)![1]);
    assert.ok(Math.abs(width(0.4) / width(1) - 0.4) < 1e-9, 'by the zoom');
    const { html } = draw([], { nameOf: (id) => `${id}, the one that is furthest from the stairs` });
    assert.match(html, /cold, the one that is fur…/);
  });
});
