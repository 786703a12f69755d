// Generated from catalog/data/house-rules.json by `npm run tables`; do not edit by hand.
export const HOUSE_CHOICES = {
  threadSealant: ["tape","paste"],
  ferrule: ["dry","trace of paste"],
  connector: ["new","reuse if sound"],
  push: ["where reachable","where listed","never"],
  applianceLine: ["braided","copper","pe","pex"],
  toiletLine: ["flexible","riser"],
  firstEnd: ["wall","appliance"],
  airGap: ["required","high loop allowed"],
} as const;

export type HouseChoices = { [K in keyof typeof HOUSE_CHOICES]: (typeof HOUSE_CHOICES)[K][number] };
