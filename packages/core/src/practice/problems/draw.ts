import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Draws at random, the same ones again from the same seed. */
export class Draw {
  private readonly generator: ReturnType<typeof xoroshiro128plus>;

  /** @param seeds  whole numbers or texts: other ones draw otherwise */
  constructor(...seeds: readonly (number | string)[]) {
    this.generator = xoroshiro128plus(hash(seeds.join('|')));
  }

  /** Evenly from 0 up to, but not, 1. */
  share(): number {
    return uniformFloat64(this.generator);
  }

  /** Evenly from −1 to 1. */
  sign(): number {
    return 2 * this.share() - 1;
  }

  /** A whole number from `least` to `most`. */
  whole(least: number, most: number): number {
    return least + Math.floor(this.share() * (most - least + 1));
  }

  pick<T>(from: readonly T[]): T {
    return from[Math.floor(this.share() * from.length)]!;
  }

  /** All of a list in another order (Fisher and Yates). */
  shuffled<T>(from: readonly T[]): T[] {
    const list = [...from];
    for (let k = list.length - 1; k > 0; k -= 1) {
      const other = this.whole(0, k);
      [list[k], list[other]] = [list[other]!, list[k]!];
    }
    return list;
  }
}

/** A text as 32 bits (FNV-1a). */
function hash(text: string): number {
  let value = 0x811c9dc5;
  for (let k = 0; k < text.length; k += 1) value = Math.imul(value ^ text.charCodeAt(k), 0x01000193);
  return value | 0;
}
