// Generated from catalog/data/nut-flats.csv by `npm run tables`; do not edit by hand.
export const nutFlatsTable = [
  {"thread":"comp-1/4","fromIn":0.5,"toIn":0.5625},
  {"thread":"comp-3/8","fromIn":0.625,"toIn":0.6875},
  {"thread":"comp-1/2","fromIn":0.8125,"toIn":0.875},
  {"thread":"comp-5/8","fromIn":0.9375,"toIn":1},
  {"thread":"npsm-1/2","fromIn":0.9375,"toIn":1},
  {"thread":"g-1/2","fromIn":0.9375,"toIn":1},
] as const;
