import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { currentFromTo, type Element } from '@usual-drag/core/network';
import type { NetworkValues } from '@usual-drag/core/solver';

/** Voltage and current beside every part of the drawing. */
export function liveLines(values: NetworkValues): Record<string, string> {
  return Object.fromEntries(
    Object.entries(values.elements).map(([id, { voltage, current }]) => [
      id,
      `${formatQuantity(voltage, 'V', { digits: 3 })} · ${formatQuantity(current, 'A', { digits: 3 })}`,
    ]),
  );
}

/** Returns the error of a meter at every part, as lines. */
export const shareLines = (shares: ReadonlyMap<string, number>): Record<string, string> =>
  Object.fromEntries([...shares].map(([id, share]) => [id, share === 0 ? '0\u00a0%' : formatPercent(-share)]));

/** A from → to through every part; a source's own value is given out of `from`. */
export const currentsThrough = (elements: readonly Element[], values: NetworkValues): Record<string, number | null> =>
  Object.fromEntries(
    elements.map((element) => [element.id, currentFromTo(element, values.elements[element.id]?.current ?? null)]),
  );

/** Returns the explanation of the drawing. */
export function legend(metered: boolean, spacing: 'even' | 'scale'): string {
  const scale = spacing === 'scale' ? 'height is potential; zigzag: axis stretched' : '';
  return metered
    ? ['dashed: unloaded · solid: with the meters in', scale].filter((text) => text !== '').join(' · ')
    : scale;
}
