/** A resistor in a drawer of one's own. */
export interface StockPart {
  /** Ω. */
  readonly resistance: number;
  /** Number in stock; unlimited if omitted. */
  readonly count?: number;
  /** Fraction; that of the parts chosen from if omitted. */
  readonly tolerance?: number;
}

/** The different values of a stock, Ω, rising. */
export const stockValues = (stock: readonly StockPart[]): Float64Array =>
  Float64Array.from(new Set(stock.map(({ resistance }) => resistance))).sort();

/** Returns the number of parts of each value. */
export function stockCount(stock: readonly StockPart[]): Map<number, number> {
  const count = new Map<number, number>();
  for (const { resistance, count: more = Infinity } of stock)
    count.set(resistance, (count.get(resistance) ?? 0) + more);
  return count;
}

/** Tolerance of a value in stock: the widest of those that are there, since which of them is taken is not known. */
export const stockTolerance = (stock: readonly StockPart[], value: number, usual: number): number =>
  Math.max(...stock.filter(({ resistance }) => resistance === value).map(({ tolerance }) => tolerance ?? usual));
