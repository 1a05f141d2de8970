import type { Element, ResistorValues } from '../network/index.ts';
import { formatPercent, formatQuantity } from '../quantity/index.ts';

/** What stands beside a part's symbol. */
export interface PartLabel {
  readonly value: string;
  /** A second line: what is inside, or what the part is for. */
  readonly note: string | null;
}

const short = { digits: 5, trim: true };

/** A part's value as it is marked, and what else a glance needs. */
export function partLabel(element: Element, values: ResistorValues = 'nominal'): PartLabel {
  const note = element.label ?? null;
  switch (element.kind) {
    case 'source': {
      const cells = element.cellsInSeries ?? 1;
      const strings = element.cellsInParallel ?? 1;
      const inside = ((element.internalResistance ?? 0) * cells) / strings;
      const value = formatQuantity(element.emf * cells, 'V', short);
      return { value, note: inside > 0 ? `${formatQuantity(inside, 'Ω', short)} inside` : 'ideal' };
    }
    case 'resistor': {
      const measured = values === 'measured' ? element.measuredResistance : undefined;
      const tolerance = element.tolerance ? ` ${formatPercent(element.tolerance, { digits: 2, trim: true })}` : '';
      const value = formatQuantity(measured ?? element.resistance, 'Ω', short);
      return { value: measured === undefined ? value + tolerance : `${value} measured`, note };
    }
    case 'load': {
      const value = `${formatQuantity(element.ratedVoltage, 'V', short)} ${formatQuantity(element.ratedCurrent, 'A', short)}`;
      return { value, note };
    }
    case 'current-source':
      return { value: formatQuantity(element.current, 'A', short), note };
    case 'switch':
      return { value: element.closed ? 'closed' : 'open', note };
    case 'link':
      return { value: '', note };
  }
}
