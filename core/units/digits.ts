/** A bound with no false digits, never below what it bounds: '0.3', '8.6', '43'. */
export const boundDigits = (value: number): string => String(value >= 10 ? Math.ceil(value) : Math.ceil(value * 10) / 10);

/** A worked-out figure with no false digits: three that count. */
export const threeDigits = (value: number): string => String(Number(value.toPrecision(3)));
