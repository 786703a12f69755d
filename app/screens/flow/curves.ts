/** What the water gives and what the line asks, as curves that cross. */
import { type FlowLine, type OperatingPoint, operatingPoint } from '../../../core/index.ts';

const POINTS = 40;

/** What the line leaves at the inlet by what flows, found by valves from shut to wide open; and what the appliance's valve asks. */
export function curves(
  line: FlowLine,
  point: OperatingPoint,
): { line: { x: number; y: number }[]; valve: { x: number; y: number }[]; mostGpm: number } {
  const open = (designGpm: number) => operatingPoint({ ...line, appliance: { designGpm, designPsi: 1 } });
  const free = open(500);
  const mostGpm = Math.min(free.gpm, Math.max(point.gpm * 2, line.appliance.designGpm * 1.5));
  const { capGpm } = line.appliance;
  const kv = line.appliance.designGpm / Math.sqrt(line.appliance.designPsi);
  const spaced = Array.from({ length: POINTS + 1 }, (_, i) => (i * mostGpm) / POINTS);
  return {
    // Held to a flow the rest of the pressure stands at the inlet.
    line: spaced.map((x) => ({
      x,
      y: x === 0 ? Math.max(0, point.staticPsi) : operatingPoint({ ...line, appliance: { designGpm: 500, designPsi: 1, capGpm: x } }).inletPsi,
    })),
    // What holds itself to a flow asks for any pressure there: its curve ends upright, where the line's meets it.
    valve: [
      ...spaced.filter((x) => x <= (capGpm ?? mostGpm)).map((x) => ({ x, y: (x / kv) ** 2 })),
      ...(point.gpm === capGpm ? [{ x: capGpm, y: point.inletPsi }] : []),
    ],
    mostGpm,
  };
}
