/** How the subjects of the book stand, by their kinds. */

import type { OwnPart } from '../parts/state.ts';
import type { Appliance, Place, Premises, Run } from '../premises/states.ts';
import type { RulesNow } from '../rules/state.ts';
import type { Shop } from '../shop/state.ts';
import type { StockPlace } from '../stock/state.ts';
import type { FollowUp, Visit } from '../visit/states.ts';

export interface States {
  premises: Premises;
  place: Place;
  appliance: Appliance;
  run: Run;
  visit: Visit;
  'follow-up': FollowUp;
  stock: StockPlace;
  shop: Shop;
  rules: RulesNow;
  part: OwnPart;
}

export type AnyState = States[keyof States];
