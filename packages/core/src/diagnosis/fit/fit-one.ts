/** How closely a value is searched for: steps of the first search, by ratio, and golden sections after it. */
export interface Search {
  readonly steps: number;
  readonly sections: number;
}

/** 40 golden sections make the last interval 1e-8 of what it was. */
const fine: Search = { steps: 60, sections: 40 };

const golden = (Math.sqrt(5) - 1) / 2;

/**
 * The value between two positive limits with the least misfit: looked for by equal ratios, then closed in on by golden sections.
 *
 * @param about  a value that it is near; looked for everywhere if omitted
 */
export function fitOne(
  misfit: (value: number) => number,
  least: number,
  most: number,
  about?: number,
  { steps, sections }: Search = fine,
): number {
  const [low, high] = [Math.log(least), Math.log(most)];
  const width = (high - low) / steps;
  const best = about === undefined ? lowestStep(misfit, low, width, steps) : Math.log(about);
  let [a, b] = [Math.max(low, best - width), Math.min(high, best + width)];
  let [c, d] = [b - golden * (b - a), a + golden * (b - a)];
  let [atC, atD] = [misfit(Math.exp(c)), misfit(Math.exp(d))];
  for (let k = 0; k < sections; k += 1) {
    if (atC < atD) {
      [b, d, atD] = [d, c, atC];
      c = b - golden * (b - a);
      atC = misfit(Math.exp(c));
    } else {
      [a, c, atC] = [c, d, atD];
      d = a + golden * (b - a);
      atD = misfit(Math.exp(d));
    }
  }
  return Math.exp((a + b) / 2);
}

function lowestStep(misfit: (value: number) => number, low: number, width: number, steps: number): number {
  let [best, smallest] = [low, Infinity];
  for (let k = 0; k <= steps; k += 1) {
    const x = low + k * width;
    const size = misfit(Math.exp(x));
    if (size < smallest) [best, smallest] = [x, size];
  }
  return best;
}
