/** Gas that takes a bang up: an arrestor's behind its piston, an air chamber's on the water itself. */
import { finite } from '../../errors.ts';
import { ATM_PA, M_PER_IN, PA_PER_PSI } from '../../units/index.ts';
import type { Cushion } from '../shape.ts';
import { passes, type ValveNow } from './outlet.ts';

/** Gas that gives: absolute pressure times volume to the power n stays. */
export interface Gas {
  volumeM3: number;
  /** ln of (Pa absolute times m3 to the power n). */
  logLaw: number;
  /** Into it, m3/s. */
  flow: number;
  /** Where its piston can go no farther: the volume, and the pressure, Pa gauge, that lifts it off; null where there is none. */
  stop: { volumeM3: number; pa: number } | null;
  /** It gives; the step brings its piston to the stop; its piston rests there. */
  state: 'gives' | 'lands' | 'rests';
}

/** Between isothermal and adiabatic. @source trade practice for arrestors and air vessels: 1.2 */
export const GAS_POWER = 1.2;
const CUBIC_M_PER_CUBIC_IN = M_PER_IN ** 3;

/** The gas of a cushion at the pressure of the running line: by its law from the precharge; under that a piston that has a stop rests on it. */
export function gasAt({ volumeIn3, prechargePsi, hasStop = false }: Cushion, pa: number): Gas {
  const volume = finite('cushion.volumeIn3', volumeIn3, { above: 0, atMost: 100_000 }) * CUBIC_M_PER_CUBIC_IN;
  const prechargePa = finite('cushion.prechargePsi', prechargePsi, { atLeast: 0, atMost: 1000 }) * PA_PER_PSI;
  const rests = hasStop && pa <= prechargePa;
  return {
    volumeM3: rests ? volume : volume * ((prechargePa + ATM_PA) / (pa + ATM_PA)) ** (1 / GAS_POWER),
    logLaw: Math.log(prechargePa + ATM_PA) + GAS_POWER * Math.log(volume),
    flow: 0,
    stop: hasStop ? { volumeM3: volume, pa: prechargePa } : null,
    state: rests ? 'rests' : 'gives',
  };
}

/** Pa where it gives: its volume moves by the mean of its flow over the step, its law holds at the end. */
function withGas(gas: Gas, c: number, y: number, valve: ValveNow, startPa: number, dtS: number): number {
  // Rises with p: as p rises less flows in, and the gas is larger than its law has it.
  const volume = (pa: number) => gas.volumeM3 - (dtS / 2) * (gas.flow + c - y * pa - passes(valve, pa));
  const over = (pa: number) => Math.log(pa + ATM_PA) + GAS_POWER * Math.log(volume(pa)) - gas.logLaw;
  let [low, high] = [-ATM_PA, Number.POSITIVE_INFINITY];
  let pa = startPa;
  for (let i = 0; i < 60; i++) {
    const v = volume(pa);
    if (v <= 0 || pa <= -ATM_PA) {
      low = Math.max(low, pa);
      pa = high < Number.POSITIVE_INFINITY ? (low + high) / 2 : pa + ATM_PA;
      continue;
    }
    const g = over(pa);
    if (g < 0) low = pa;
    else high = pa;
    const out = valve.perRoot > 0 && pa > 0 ? valve.perRoot / (2 * Math.sqrt(pa)) : 0;
    const next = pa - g / (1 / (pa + ATM_PA) + (GAS_POWER * (dtS / 2) * (y + out)) / v);
    const isInside = next > low && next < high;
    const step = isInside ? next : high < Number.POSITIVE_INFINITY ? (low + high) / 2 : pa + ATM_PA;
    if (Math.abs(step - pa) <= 1e-9 * (ATM_PA + Math.abs(pa))) return step;
    pa = step;
  }
  return pa;
}

/**
 * Pa after a step at the node of a cushion that gives; null where the step brings its piston to the stop: `landingFlow` is then what that takes.
 *
 * @param c,y what comes is c less y for every Pa, m3/s
 */
export function givingPa(gas: Gas, c: number, y: number, valve: ValveNow, startPa: number, dtS: number): number | null {
  const { stop } = gas;
  const pa = withGas(gas, c, y, valve, startPa, dtS);
  const after = gas.volumeM3 - (dtS / 2) * (gas.flow + c - y * pa - passes(valve, pa));
  if (!stop || after <= stop.volumeM3) return pa;
  gas.state = 'lands';
  return null;
}

/** Into a gas whose piston lands in this step, m3/s: half of it is of the step that follows. */
export const landingFlow = ({ volumeM3, flow, stop }: Gas, dtS: number): number => (volumeM3 - stop!.volumeM3) / dtS - flow / 2;

/** Whether a pressure lifts a resting piston off its stop; one that landed in the step before rests for this one. */
export function liftsOff(gas: Gas, pa: number): boolean {
  if (gas.state === 'rests' && pa > gas.stop!.pa) gas.state = 'gives';
  else gas.state = 'rests';
  return gas.state === 'gives';
}

/** Its volume after the step, by the mean of its flow over it. @param flow into it now, m3/s */
export function tookUp(gas: Gas, flow: number, dtS: number): void {
  gas.volumeM3 -= (dtS / 2) * (gas.flow + flow);
  gas.flow = flow;
}
