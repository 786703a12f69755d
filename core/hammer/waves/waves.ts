/** How often a pressure passes its limit: by waves, however it trembles where gaps in the water have closed. */
export class Waves {
  count = 0;
  /** Ready for a wave; counted, while its mean rises over the supply's; then until that is back. */
  private state: 'ready' | 'counted' | 'high' = 'ready';
  private countedAtS = 0;
  private meanPa: number;
  private atS = 0;

  /** @param roundTripS of a wave: what the mean goes over; twice that is the period of the line */
  constructor(
    private readonly limitPa: number,
    private readonly supplyPa: number,
    runningPa: number,
    private readonly roundTripS: number,
  ) {
    this.meanPa = runningPa;
  }

  add(atS: number, pa: number): void {
    this.meanPa += (pa - this.meanPa) * Math.min(1, (atS - this.atS) / this.roundTripS);
    this.atS = atS;
    if (this.state === 'ready') {
      if (pa <= this.limitPa) return;
      this.count++;
      this.state = 'counted';
      this.countedAtS = atS;
      return;
    }
    if (this.state === 'counted' && this.meanPa > this.supplyPa) this.state = 'high';
    const isOver = this.state === 'high' ? this.meanPa <= this.supplyPa : atS - this.countedAtS >= 2 * this.roundTripS;
    if (isOver) this.state = 'ready';
  }
}
