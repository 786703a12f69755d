/** Where a bent tube ends, walked piece by piece: along x at first; a bend of a radius below nought turns the other way. */
export function walkBent(
  wholeIn: number,
  bends: readonly { fromIn: number; toIn: number; radiusIn: number }[],
): { x: number; y: number; turned: number } {
  let [x, y, turned, at] = [0, 0, 0, 0];
  const straight = (to: number) => {
    x += (to - at) * Math.cos(turned);
    y += (to - at) * Math.sin(turned);
    at = to;
  };
  for (const { fromIn, toIn, radiusIn } of bends) {
    straight(fromIn);
    const next = turned + (toIn - fromIn) / radiusIn;
    x += radiusIn * (Math.sin(next) - Math.sin(turned));
    y -= radiusIn * (Math.cos(next) - Math.cos(turned));
    [turned, at] = [next, toIn];
  }
  straight(wholeIn);
  return { x, y, turned };
}
