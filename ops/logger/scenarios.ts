/** Shut lines that the simulated gauge may hang on. */
export interface Scenario {
  id: string;
  name: string;
  startPsi: number;
  /** At 60 psi; it falls with the root of the pressure, mL a day. */
  leakMlPerDay: number;
  /** Of pipe and hoses, mL a psi. */
  giveMlPerPsi: number;
  /** Air in the line, measured at the pressure of the room, mL. */
  airMl: number;
  /** How the temperature moves: so much an hour, and to and fro over so many minutes. */
  driftFPerHour: number;
  swingF: number;
  swingMinutes: number;
  /** What a degree does to the closed line, psi. */
  psiPerF: number;
  /** What a valve lets by for each psi that the supply stands above the line, mL a day; the supply, psi. */
  passMlPerDayPsi: number;
  supplyPsi: number;
  /** Of one reading, psi. */
  gaugeSigmaPsi: number;
  /** Share of readings that never come. */
  dropOuts: number;
}

const TIGHT: Scenario = {
  id: 'tight',
  name: 'a tight line',
  startPsi: 62,
  leakMlPerDay: 0,
  giveMlPerPsi: 0.35,
  airMl: 0,
  driftFPerHour: 0,
  swingF: 0,
  swingMinutes: 47,
  psiPerF: 6,
  passMlPerDayPsi: 0,
  supplyPsi: 62,
  gaugeSigmaPsi: 0.05,
  dropOuts: 0,
};

export const SCENARIOS: readonly Scenario[] = [
  TIGHT,
  { ...TIGHT, id: 'slow-leak', name: 'a slow leak', leakMlPerDay: 45 },
  { ...TIGHT, id: 'drift', name: 'tight, and the room cools', driftFPerHour: -0.8, swingF: 0.2 },
  { ...TIGHT, id: 'air', name: 'tight, with air in it', airMl: 120 },
  { ...TIGHT, id: 'leak-and-drift', name: 'a slow leak, and the room cools', leakMlPerDay: 45, driftFPerHour: -0.8, swingF: 0.2 },
  { ...TIGHT, id: 'noisy', name: 'tight, by a poor gauge that loses readings', gaugeSigmaPsi: 0.4, dropOuts: 0.1 },
  { ...TIGHT, id: 'passing', name: 'a valve that passes', startPsi: 40, passMlPerDayPsi: 2, supplyPsi: 62 },
];

export const scenarioById = (id: string): Scenario | undefined => SCENARIOS.find((s) => s.id === id);
