// Generated from catalog/data/tube-joints.csv by `npm run tables`; do not edit by hand.
export const tubeJointsTable = [
  {"od":"1/4","pushIn":0.6875,"ferruleIn":0.75,"solderIn":0.3125,"ringIn":null},
  {"od":"5/16","pushIn":0.75,"ferruleIn":0.75,"solderIn":null,"ringIn":null},
  {"od":"3/8","pushIn":0.8125,"ferruleIn":0.75,"solderIn":0.375,"ringIn":1.25},
  {"od":"1/2","pushIn":0.9375,"ferruleIn":1,"solderIn":0.375,"ringIn":1.25},
  {"od":"5/8","pushIn":1,"ferruleIn":1.25,"solderIn":0.5,"ringIn":1.25},
  {"od":"7/8","pushIn":1.125,"ferruleIn":1.375,"solderIn":0.75,"ringIn":1.25},
] as const;
