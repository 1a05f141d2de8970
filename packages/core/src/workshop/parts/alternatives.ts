import { buyableValues, drawerOf, nearestCombination } from './combinations.ts';
import type { Combination, Section } from '../scheme/design.ts';
import { stockValues } from './stock.ts';
import { trimmedSection, type Trimmed } from './trimmers.ts';
import { trimmerCover } from '../build/build-sheet.ts';
import type { MeterProject } from '../scheme/meter-project.ts';

/** Ways to make one section, each searched for by itself. */
export interface Alternatives {
  /** The nearest of up to one, two and three resistors; null if the drawer is empty. */
  readonly upTo: readonly [Combination | null, Combination | null, Combination | null];
  /** Null if the series has no part for it. */
  readonly trimmed: Trimmed | null;
}

/**
 * The choices for a section: the nearest single resistor, the best of up to two and three in series or in parallel, and a fixed
 * one with a trimmer. The other sections are not looked at, and of a stock any number is absorbed.
 */
export function alternativesFor(meterProject: MeterProject, { resistance }: Pick<Section, 'resistance'>): Alternatives {
  const { series, tolerance, stock } = meterProject.parts;
  const drawer = drawerOf(stock ? stockValues(stock) : buyableValues(series));
  const nearest = (maximum: number): Combination | null =>
    drawer.values.length > 0 ? nearestCombination(resistance, drawer, maximum) : null;
  return {
    upTo: [nearest(1), nearest(2), nearest(3)],
    trimmed: trimmedSection(resistance, series, tolerance, trimmerCover(meterProject)),
  };
}
