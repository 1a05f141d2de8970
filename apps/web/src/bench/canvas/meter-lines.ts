import { formatQuantity } from '@usual-drag/core/quantity';
import { meterStateWords, type Setup, type SetupValues } from '@usual-drag/core/loading';

/** The lines beside every meter in the drawing: its indicated value and its resistance. */
export function meterLines(setup: Setup, values: SetupValues | null): Readonly<Record<string, readonly string[]>> {
  return Object.fromEntries(
    setup.meters.map((meter) => {
      const reading = values?.meters[meter.id];
      if (!reading) return [meter.id, []];
      // By what it indicates, not by how it is connected: a wrong connection may put an ammeter across a part.
      const unit = reading.unit.endsWith('V') ? 'V' : 'A';
      const indicated =
        reading.state === 'ok'
          ? formatQuantity(reading.indicated, unit, { digits: 3 })
          : meterStateWords[reading.state];
      return [meter.id, [indicated, formatQuantity(reading.meterResistance, 'Ω', { digits: 3, trim: true })]];
    }),
  );
}
