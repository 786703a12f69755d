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
  reuse: ["never","when sound"],
  oldLineEnd: ["stop end","fixture end"],
  workingLook: ["before pushing home","after pushing home"],
  dishwasherLines: ["after it is set","before it is set"],
  drainFlange: ["putty","gasket"],
  fillerHammer: ["arrestor","air chamber","nothing"],
  dishwasherCycle: ["one full cycle","every programme"],
  porcelainTools: ["hand tools","lowest clutch"],
  toiletLift: ["whole, by two","tank off, by one"],
  floorSeal: ["back left open","all round"],
  proof: ["day","strict","next day"],
  oldFerrule: ["sleeve puller","cut off"],
} as const;

export type HouseChoices = { [K in keyof typeof HOUSE_CHOICES]: (typeof HOUSE_CHOICES)[K][number] };
