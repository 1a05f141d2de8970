import { formatQuantity, type Setup, type SetupValues } from '@usual-drag/core';

/** What stands beside every meter in the drawing: what it shows and what it is. */
export function meterLines(setup: Setup, values: SetupValues | null): Readonly<Record<string, readonly string[]>> {
  return Object.fromEntries(
    setup.meters.map((meter) => {
      const reading = values?.meters[meter.id];
      if (!reading) return [meter.id, []];
      // By what it shows, not by how it is connected: an ammeter may stand across a part on purpose.
      const unit = reading.unit.endsWith('V') ? 'V' : 'A';
      const shown =
        reading.state === 'fuse-blown'
          ? 'fuse blown'
          : reading.indicated === null
            ? reading.state
            : formatQuantity(reading.indicated, unit, { digits: 3 });
      return [meter.id, [shown, formatQuantity(reading.meterResistance, 'Ω', { digits: 3, trim: true })]];
    }),
  );
}
