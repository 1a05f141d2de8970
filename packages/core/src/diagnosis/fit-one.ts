/** Steps of the first search, by ratio. */
const steps = 60;

/**
 * The value between two positive limits with the least misfit: looked for by equal ratios, then closed in on by golden sections.
 *
 * @param at  makes the result of a value
 */
export function fitOne<T>(misfit: (value: number) => number, least: number, most: number, at: (value: number) => T): T {
  const [low, high] = [Math.log(least), Math.log(most)];
  const width = (high - low) / steps;
  let best = low;
  let smallest = Infinity;
  for (let k = 0; k <= steps; k += 1) {
    const x = low + k * width;
    const size = misfit(Math.exp(x));
    if (size < smallest) [best, smallest] = [x, size];
  }
  const golden = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [Math.max(low, best - width), Math.min(high, best + width)];
  // 40 sections make the interval 1e-8 of what it was.
  for (let k = 0; k < 40; k += 1) {
    const [c, d] = [b - golden * (b - a), a + golden * (b - a)];
    if (misfit(Math.exp(c)) < misfit(Math.exp(d))) b = d;
    else a = c;
  }
  return at(Math.exp((a + b) / 2));
}
