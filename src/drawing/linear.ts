/**
 * A straight scale from numbers to places in a drawing; what is beyond its ends stands at them. The
 * package's own scale brings calendars and colours with it, 15 kB on every tablet, for this one line.
 */
export function linear(
  [from, to]: readonly [number, number],
  [begin, end]: readonly [number, number],
): (value: number) => number {
  const span = to - from;
  return (value) => {
    const share = span === 0 ? 0.5 : Math.min(1, Math.max(0, (value - from) / span));
    return begin + share * (end - begin);
  };
}
