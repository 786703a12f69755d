/** A worked-out figure with no false digits: three that count. */
export const threeDigits = (value: number): string => String(Number(value.toPrecision(3)));
