/** Water at the pressures of a house, from freezing to boiling. */
import { finite } from '../errors.ts';
import { celsius } from '../units/index.ts';

/** Of water at a temperature, SI. */
export interface Water {
  /** kg/m3 */
  density: number;
  /** Dynamic, Pa s. */
  viscosity: number;
  /** Of saturated vapour, absolute, Pa. */
  vapourPa: number;
  /** Adiabatic bulk modulus, Pa. */
  bulkPa: number;
}

/**
 * Density, kg/m3, at one atmosphere.
 *
 * @param tC 0 to 100
 * @source G. S. Kell, J. Chem. Eng. Data 20 (1975) 97: within 0.001 % of the tables
 */
const densityAt = (tC: number): number =>
  (999.83952 + tC * (16.945176 + tC * (-7.9870401e-3 + tC * (-46.170461e-6 + tC * (105.56302e-9 - tC * 280.54253e-12))))) / (1 + 16.87985e-3 * tC);

/**
 * Dynamic viscosity, Pa s, at 0.1 MPa.
 *
 * @param tC 0 to 100
 * @source IAPWS SR6-08 (2011), equation for liquid water at 0.1 MPa: within 1 %
 */
function viscosityAt(tC: number): number {
  const t = (tC + 273.15) / 300;
  return 1e-6 * (280.68 * t ** -1.9 + 511.45 * t ** -7.7 + 61.131 * t ** -19.6 + 0.45903 * t ** -40);
}

/**
 * Vapour pressure, Pa absolute.
 *
 * @param tC 0 to 100
 * @source W. Wagner and A. Pruss, J. Phys. Chem. Ref. Data 22 (1993) 783
 */
function vapourAt(tC: number): number {
  const kelvin = tC + 273.15;
  const x = 1 - kelvin / 647.096;
  const sum = -7.85951783 * x + 1.84408259 * x ** 1.5 - 11.7866497 * x ** 3 + 22.6807411 * x ** 3.5 - 15.9618719 * x ** 4 + 1.80122502 * x ** 7.5;
  return 22.064e6 * Math.exp((647.096 / kelvin) * sum);
}

/**
 * Speed of sound in water without walls, m/s.
 *
 * @param tC 0 to 95; beyond, to 100, it runs on smoothly
 * @source W. Marczak, J. Acoust. Soc. Am. 102 (1997) 2776
 */
const soundAt = (tC: number): number => 1402.385 + tC * (5.038813 + tC * (-5.799136e-2 + tC * (3.287156e-4 + tC * (-1.398845e-6 + tC * 2.78786e-9))));

/**
 * Water at a temperature.
 *
 * @param tempF 32 to 212
 * @throws InputError outside
 */
export function waterAt(tempF: number): Water {
  const tC = celsius(finite('tempF', tempF, { atLeast: 32, atMost: 212 }));
  const density = densityAt(tC);
  return { density, viscosity: viscosityAt(tC), vapourPa: vapourAt(tC), bulkPa: density * soundAt(tC) ** 2 };
}
