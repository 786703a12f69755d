/** A shut line as the simulated gauge sees it. */
import type { Scenario } from './scenarios.ts';

const MINUTES_A_DAY = 1440;
/** The room's own pressure, psi. */
const ROOM_PSI = 14.696;
/** The leak of a scenario is that at this pressure. */
const LEAK_AT_PSI = 60;
/** No step is longer: what runs out changes the pressure that drives it, minutes. */
const STEP_MIN = 0.05;

export interface Reading {
  minutes: number;
  psi: number;
  tempF: number;
}

export class ShutLine {
  #minutes = 0;
  #psi: number;
  readonly #startF = 66;

  constructor(
    readonly scenario: Scenario,
    /** From 0 to 1, the same row for the same seed. */
    readonly next: () => number,
  ) {
    this.#psi = scenario.startPsi;
  }

  /** What the pressure is, the gauge's own error left out. */
  get psi(): number {
    return this.#psi;
  }

  get minutes(): number {
    return this.#minutes;
  }

  /** mL that a psi takes: pipe and hoses, and the air by Boyle's law. */
  get giveMlPerPsi(): number {
    const { giveMlPerPsi, airMl } = this.scenario;
    return giveMlPerPsi + (airMl * ROOM_PSI) / (this.#psi + ROOM_PSI) ** 2;
  }

  #tempF(minutes: number): number {
    const { driftFPerHour, swingF, swingMinutes } = this.scenario;
    return this.#startF + (driftFPerHour * minutes) / 60 + swingF * Math.sin((2 * Math.PI * minutes) / swingMinutes);
  }

  /** Lets time pass, minutes. */
  pass(minutes: number): void {
    const { leakMlPerDay, passMlPerDayPsi, supplyPsi, psiPerF } = this.scenario;
    const until = this.#minutes + minutes;
    while (this.#minutes < until - 1e-12) {
      const step = Math.min(STEP_MIN, until - this.#minutes);
      const warmer = this.#tempF(this.#minutes + step) - this.#tempF(this.#minutes);
      const out = leakMlPerDay * Math.sqrt(Math.max(0, this.#psi) / LEAK_AT_PSI) - passMlPerDayPsi * (supplyPsi - this.#psi);
      // Air takes up what the warming water would do to a full line.
      const stiffness = this.scenario.giveMlPerPsi / this.giveMlPerPsi;
      this.#psi = Math.max(0, this.#psi - ((out / MINUTES_A_DAY) * step) / this.giveMlPerPsi + psiPerF * stiffness * warmer);
      this.#minutes += step;
    }
  }

  /** Lets so much out at once, mL: in small parts, for air gives more as the pressure falls. */
  letOut(ml: number): void {
    const parts = 200;
    for (let i = 0; i < parts; i++) this.#psi = Math.max(0, this.#psi - ml / parts / this.giveMlPerPsi);
  }

  /** What the gauge says; null where the reading is lost. To the hundredth, as its display. */
  read(): Reading | null {
    const { gaugeSigmaPsi, dropOuts } = this.scenario;
    const noise = Math.sqrt(-2 * Math.log(1 - this.next())) * Math.cos(2 * Math.PI * this.next());
    if (this.next() < dropOuts) return null;
    const rounded = (value: number) => Math.round(value * 100) / 100;
    return { minutes: Number(this.#minutes.toFixed(5)), psi: rounded(this.#psi + gaugeSigmaPsi * noise), tempF: rounded(this.#tempF(this.#minutes)) };
  }
}
