import { dropsAnHour } from './bounds.ts';

/** A leak as one sees it: 'about 4 drops an hour', 'a drop in 3 hours' */
export function dropWords(mlPerDay: number): string {
  const perHour = dropsAnHour(mlPerDay);
  if (perHour >= 1.5) return `about ${Math.round(perHour)} drops an hour`;
  const hours = 1 / perHour;
  return hours < 1.5 ? 'about a drop an hour' : `about a drop in ${Math.round(hours)} hours`;
}
