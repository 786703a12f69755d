// Generated from catalog/data/seals.csv by `npm run tables`; do not edit by hand.
import type { Seal } from './seals.ts';

export const sealsTable: readonly Seal[] = [
  {"id":"washer","name":"rubber washer or cone in a metal swivel nut","sealant":["none"],"turns":{"from":0.25,"to":0.75,"default":0.5,"nudge":0.125,"most":1},"callbacksPer1000":2,"note":"over-tightening cuts or pushes out the rubber"},
  {"id":"washer-plastic","name":"washer in a plastic nut","sealant":["none"],"turns":{"from":0,"to":0.25,"default":0,"nudge":0.125,"most":0.25},"callbacksPer1000":4,"note":"by hand only; the nut splits later"},
  {"id":"washer-hose","name":"washer in a hose-thread nut","sealant":["none"],"turns":{"from":0.25,"to":0.5,"default":0.25,"nudge":0.125,"most":0.5},"callbacksPer1000":3,"note":"hold the valve body back: appliance valves are plastic"},
  {"id":"washer-aerator","name":"washer in an aerator","sealant":["none"],"turns":{"from":0,"to":0.25,"default":0.125,"nudge":0.125,"most":0.25},"callbacksPer1000":1,"note":"by hand or with a cloth; a weep here is in the open"},
  {"id":"ferrule","name":"brass ferrule on copper up to 3/8 in OD","sealant":["none","trace of paste"],"turns":{"from":0.5,"to":1.25,"default":0.75,"nudge":0.25,"most":1.5},"callbacksPer1000":4,"note":"square deburred tube pushed to the stop"},
  {"id":"ferrule-large","name":"brass ferrule on copper of 1/2 in OD and up","sealant":["none","trace of paste"],"turns":{"from":0.75,"to":1.5,"default":1,"nudge":0.25,"most":2.25},"callbacksPer1000":5,"note":"as above"},
  {"id":"ferrule-plastic","name":"plastic ferrule on plastic tube with an insert","sealant":["none"],"turns":{"from":0.5,"to":1,"default":0.5,"nudge":0.25,"most":1.25},"callbacksPer1000":6,"note":"a brass ferrule can cut the tube; tug test"},
  {"id":"taper","name":"taper thread, metal","sealant":["tape","paste"],"turns":{"from":1.5,"to":3,"default":2,"nudge":0.25,"most":3},"callbacksPer1000":6,"note":"never backed off"},
  {"id":"taper-plastic","name":"taper thread, plastic port","sealant":["tape"],"turns":{"from":1,"to":1.5,"default":1,"nudge":0,"most":2},"callbacksPer1000":9,"note":"paste solvents crack plastic; no nudge"},
  {"id":"o-ring","name":"O-ring on a mixer hose tail","sealant":["none"],"turns":{"from":0,"to":0.125,"default":0,"nudge":0.125,"most":0.25},"callbacksPer1000":3,"note":"by hand; the ring seals"},
  {"id":"flare","name":"45 degree flare","sealant":["none"],"turns":{"from":0.16666666666666666,"to":0.3333333333333333,"default":0.25,"nudge":0.125,"most":0.5},"callbacksPer1000":4,"note":"metal to metal"},
  {"id":"cone","name":"cone washer on a riser nose","sealant":["none","trace of paste"],"turns":{"from":0.25,"to":0.75,"default":0.5,"nudge":0.125,"most":1},"callbacksPer1000":4,"note":"two wrenches"},
  {"id":"push","name":"push-to-connect, 1/2 in OD and up","sealant":["none"],"turns":null,"callbacksPer1000":5,"note":"square cut; deburred; depth mark; tug"},
  {"id":"push-small","name":"push-to-connect, 1/4 to 3/8 in OD","sealant":["none"],"turns":null,"callbacksPer1000":4,"note":"push to the second stop; tug"},
  {"id":"crimp","name":"crimp or clamp ring on an insert barb","sealant":["none"],"turns":null,"callbacksPer1000":2,"note":"ring 1/8 to 1/4 in from the end; go/no-go gauge"},
  {"id":"expansion","name":"cold-expansion ring","sealant":["none"],"turns":null,"callbacksPer1000":2,"note":"time to close before water is let in"},
  {"id":"solder","name":"soldered cup","sealant":["none"],"turns":null,"callbacksPer1000":2,"note":"bright and dry; never with plastic attached"},
];
