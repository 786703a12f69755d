// Generated from catalog/data/appliances.csv by `npm run tables`; do not edit by hand.
export const inletsTable = [
  {"appliance":"toilet","ends":["bc-7/8-m"],"waters":["cold"],"both":false},
  {"appliance":"basin-faucet","ends":["npsm-1/2-m","comp-3/8-m","comp-3/8-f","m-10x1-f"],"waters":["cold","hot"],"both":true},
  {"appliance":"kitchen-faucet","ends":["comp-3/8-f","npsm-1/2-m","m-10x1-f"],"waters":["cold","hot"],"both":true},
  {"appliance":"bidet-seat","ends":["comp-3/8-m","g-1/2-m","npsm-1/2-m"],"waters":["cold"],"both":false},
  {"appliance":"dishwasher","ends":["ght-3/4-m","npt-3/8-f"],"waters":["hot"],"both":false},
  {"appliance":"refrigerator","ends":["comp-1/4-m","pe-1/4od","ptc-1/4od","ptc-5/16od"],"waters":["cold"],"both":false},
  {"appliance":"ice-maker","ends":["comp-1/4-m"],"waters":["cold"],"both":false},
  {"appliance":"brewer","ends":["ptc-1/4od","comp-1/4-m","flare-1/4-m"],"waters":["cold"],"both":false},
  {"appliance":"glass-rinser","ends":["ptc-1/4od","comp-3/8-m","comp-1/4-m"],"waters":["cold","hot"],"both":false},
  {"appliance":"ro-dispenser","ends":["ptc-1/4od","ptc-3/8od","comp-1/4-m"],"waters":["cold"],"both":false},
  {"appliance":"washing-machine","ends":["ght-3/4-m","g-3/4-m"],"waters":["cold","hot"],"both":true},
  {"appliance":"tub-filler","ends":["npt-1/2-m","npsm-1/2-m"],"waters":["cold","hot"],"both":true},
  {"appliance":"hydrant","ends":["npt-1/2-m","cup-5/8od","npt-3/4-m","crimp-5/8od","expand-5/8od","ptc-5/8od"],"waters":["cold","hot"],"both":false},
] as const;
