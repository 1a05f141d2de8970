import { findRange, unitOf, type Instrument } from '../instrument/index.ts';
import { isLinear, measurementPointOf, type Unloaded } from '../loading/index.ts';
import { formatMeasured, formatPercent, formatQuantity, ohms } from '../quantity/index.ts';
import { ownMeter, placedInSolved, setupOf } from '../readings/index.ts';
import { idsInWords } from './ids-in-words.ts';
import type { ReportReading } from './report-readings.ts';

/** Returns the effect of the meters' resistance on the readings in a sentence or two each, those that matter first. */
export function loadingWords(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  readings: readonly ReportReading[],
): string[] {
  const compared = readings.filter(({ compared }) => compared?.value != null && compared.loading !== null);
  const inCircuit = compared.filter(({ reading }) => reading.quantity !== 'resistance');
  const matters = inCircuit.filter(
    ({ compared }) => compared!.explainedByLoading || Math.abs(compared!.loading!) > (compared!.uncertainty ?? 0),
  );
  const rest = inCircuit.filter((one) => !matters.includes(one)).map(({ reading }) => reading.id);
  return [
    ...matters.map((one) => sentencesOf(unloaded, instruments, one)),
    ...(rest.length > 0
      ? [`${idsInWords(rest)}: the loading error is smaller than the uncertainty of the reading, U.`]
      : []),
  ];
}

function sentencesOf(unloaded: Unloaded, instruments: readonly Instrument[], one: ReportReading): string {
  const { reading, place, compared } = one;
  if (reading.quantity === 'resistance' || !compared) return '';
  const unit = unitOf(reading.quantity);
  const told = (value: number | null): string => formatQuantity(value, unit);
  const { true: truth, expected, loading, value, corrected } = compared;
  const relative = truth ? loading! / truth : null;
  const size = relative === null ? told(loading) : formatPercent(Math.abs(relative));
  const way = (relative ?? loading ?? 0) < 0 ? 'less' : 'more';
  return [
    `${reading.id}, ${place}, read with ${one.instrument}: ${meterWords(unloaded, instruments, one)}, so it indicates ${size} ${way}: ${told(expected)} where ${told(truth)} is true.`,
    compared.explainedByLoading
      ? `Taken for the true value, ${told(value)} would have been called wrong; the meter explains it.`
      : '',
    corrected === null ? '' : `Corrected for it: ${formatMeasured(corrected, compared.correctedUncertainty, unit)}.`,
  ]
    .filter((sentence) => sentence !== '')
    .join(' ');
}

/** `its 10 V range has 20 kΩ, across a source resistance of 14.92 kΩ`. */
function meterWords(unloaded: Unloaded, instruments: readonly Instrument[], { reading }: ReportReading): string {
  if (reading.quantity === 'resistance') return '';
  const found = instruments.find(({ id }) => id === reading.instrument);
  const range = found && findRange(found, reading.quantity, reading.range);
  const placed = placedInSolved(unloaded, reading);
  const point = placed && measurementPointOf(placed.unloaded, instruments, setupOf(placed.reading), ownMeter);
  const meter = `its ${reading.range} range has ${range ? ohms(range.resistance) : 'an unknown resistance'}`;
  const seen = point?.ok ? point.value.sourceResistance : null;
  const source =
    seen === null
      ? ''
      : `, ${reading.quantity === 'dc-voltage' ? 'across' : 'in series with'} a source resistance of ${ohms(seen)}`;
  const others = reading.alongside?.length
    ? `, with ${reading.alongside.map(({ id }) => id).join(' and ')} connected at the same time`
    : '';
  return meter + source + (isLinear(unloaded) ? '' : ' (to a small change: a load here is not ohmic)') + others;
}
