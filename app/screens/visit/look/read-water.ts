/** A bucket and a thermometer as they are typed. */

/** Gallons as typed: '1 gal', '2', '5 L', '500 mL'. */
export function readGallons(text: string, isMetric: boolean): number | null {
  const found = /^\s*(\d+(?:\.\d+)?|\.\d+)\s*(gal|gallons?|l|liters?|litres?|ml|qt|quarts?)?\s*$/i.exec(text);
  if (!found) return null;
  const unit = (found[2] ?? (isMetric ? 'l' : 'gal')).toLowerCase();
  const per = unit.startsWith('g') ? 1 : unit === 'ml' ? 1 / 3785.412 : unit.startsWith('q') ? 0.25 : 1 / 3.785412;
  const gallons = Number(found[1]) * per;
  return gallons > 0 ? gallons : null;
}

/** Degrees F as typed: '120', '120 F', '49 C'. */
export function readDegF(text: string, isMetric: boolean): number | null {
  const found = /^\s*(\d+(?:\.\d+)?)\s*°?\s*([fc])?\s*$/i.exec(text);
  if (!found) return null;
  const isC = (found[2] ?? (isMetric ? 'c' : 'f')).toLowerCase() === 'c';
  const degF = isC ? Number(found[1]) * 1.8 + 32 : Number(found[1]);
  return degF >= 32 && degF <= 212 ? degF : null;
}
