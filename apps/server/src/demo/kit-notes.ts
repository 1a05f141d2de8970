import type { KitInstrument } from '@usual-drag/core/instrument';

const daysBefore = (now: Date, days: number): string =>
  new Date(now.getTime() - days * 86_400_000).toISOString().slice(0, 10);

/** Notes of the Saltmarsh workshop on the instruments of its kit, by their ids. */
export const kitNotes = (now: Date): Readonly<Record<string, Partial<KitInstrument>>> => ({
  'digital-2000': {
    assetTag: 'SL-207',
    calibratedOn: daysBefore(now, 350),
    laboratory: 'Saltmarsh standards room',
    certificateNumber: 'SL-C-0731',
    calibrationMonths: 12,
    notes: 'Goes out with the float-level rounds. Spare 250 mA fuses in the lid.',
  },
  'analogue-2k': {
    assetTag: 'SL-031',
    calibratedOn: daysBefore(now, 500),
    calibrationMonths: 12,
    notes: 'Needle sticks below a tenth of the scale: tap before reading.',
  },
  'bench-digital': { assetTag: 'SL-212', calibratedOn: daysBefore(now, 90), calibrationMonths: 12 },
});
