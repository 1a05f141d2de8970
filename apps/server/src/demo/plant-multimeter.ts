import type { KitInstrument, RangeCalibration } from '@usual-drag/core/instrument';

const calibration: RangeCalibration = {
  on: '2026-03-02',
  points: [
    { applied: 5, indicated: 5.005 },
    { applied: 12, indicated: 12.012 },
    { applied: 24, indicated: 24.02 },
  ],
  uncertainty: 0.004,
};

/**
 * A multimeter that lives in the plant: its mA jack has 1.8 Ω, fuse and leads included. Its 50 V range has been calibrated, and reads a
 * little high.
 */
export const plantMultimeter: KitInstrument = {
  id: 'plant-digital',
  name: 'Plant multimeter, 1.8 Ω in the mA jack',
  display: 'digital',
  assetTag: 'SL-209',
  calibratedOn: '2026-03-02',
  calibrationMonths: 12,
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        { ...digital('500 mV', 0.5, 0.00001, 0.0005), resistance: 1e7 },
        { ...digital('50 V', 50, 0.001, 0.0005), resistance: 1e7, calibration },
        { ...digital('500 V', 500, 0.01, 0.0005), resistance: 1e7 },
      ],
    },
    {
      quantity: 'dc-current',
      ranges: [
        { ...digital('50 mA', 0.05, 0.000001, 0.002), resistance: 1.8, jack: 'mA', fuse: 0.63 },
        { ...digital('500 mA', 0.5, 0.00001, 0.002), resistance: 1.8, jack: 'mA', fuse: 0.63 },
        { ...digital('10 A', 10, 0.001, 0.01), resistance: 0.03, jack: '10 A', fuse: 11 },
      ],
    },
  ],
};

function digital(id: string, fullScale: number, resolution: number, accuracyOfReading: number) {
  return { id, fullScale, resolution, accuracyOfReading, accuracyCounts: 2 };
}
