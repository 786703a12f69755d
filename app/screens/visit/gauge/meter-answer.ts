/** What the readings of the water meter say. */
import { InputError, METER_UNITS, type MeterCheck, meterCheck } from '../../../../core/index.ts';
import type { StageProps } from '../stage-props.ts';

/** What the last two readings say together. */
export function answerOf({ meterReads }: Pick<StageProps['state'], 'meterReads'>): string {
  const [before, after] = meterReads.slice(-2);
  if (!before || !after) return 'Wait, then read it again.';
  if (before.body.unit !== after.body.unit) return 'The reading before it was in another unit: read again.';
  try {
    const check: MeterCheck = meterCheck({
      before: before.body.value,
      after: after.body.value,
      step: Math.max(before.body.step, after.body.step),
      mlPerUnit: METER_UNITS[after.body.unit].ml,
      minutes: (after.atMs - before.atMs) / 60_000,
    });
    return check.because.map((r) => r.text).join(' ');
  } catch (error) {
    if (error instanceof InputError) return error.remedy;
    throw error;
  }
}
