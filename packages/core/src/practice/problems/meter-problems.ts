import {
  builtInKit,
  instrumentForJob,
  rangesOf,
  shownOn,
  type Instrument,
  type MeterQuantity,
} from '../../instrument/index.ts';
import { newJob, type Job } from '../../job/index.ts';
import { solveSetup, solveUnloaded, type Meter, type MeterReading } from '../../loading/index.ts';
import { replaceElement, type Network } from '../../network/index.ts';
import { formatQuantity } from '../../quantity/index.ts';
import { observedNumber } from '../../readings/index.ts';
import { rangesAt } from '../answer.ts';
import { draftCircuit, resistorsOf, valuesOf, type Drafted } from './circuit-problems.ts';
import { unitFor } from './clear-problem.ts';
import type { Draw } from './draw.ts';
import type { Ask, AskedOfReading, Level } from './problem.ts';

const instrumentCalled = (wanted: string): Instrument => {
  const { id, name, display, functions } = instrumentForJob(builtInKit.find((one) => one.id === wanted)!);
  return {
    id,
    ...(name !== undefined && { name }),
    ...(display !== undefined && { display }),
    functions: (functions ?? []).filter(({ quantity }) => quantity !== 'resistance'),
  };
};

const loading = ['analogue-2k', 'analogue-20k'].map(instrumentCalled);
const needle = instrumentCalled('analogue-20k');
const handheld = instrumentCalled('digital-2000');

interface Placed {
  readonly job: Job;
  readonly meters: Readonly<Record<string, MeterReading>>;
}

/** A job with one set-up, solved; null if a meter is over range, low on its scale, or hardly loads the circuit. */
function placed(
  name: string,
  network: Network,
  instruments: readonly Instrument[],
  meters: readonly Meter[],
): Placed | null {
  const setup = { id: 'S-1', meters };
  const unloaded = solveUnloaded(network);
  const solved = unloaded.ok ? solveSetup(unloaded.value, instruments, setup) : null;
  if (!solved?.ok) return null;
  const readings = solved.value.meters;
  const good = meters.every(({ id, instrument, quantity, range }) => {
    const { state, indicated, relativeError } = readings[id]!;
    const { fullScale } = rangesOf(
      instruments.find((one) => one.id === instrument)!,
      quantity,
    ).find((one) => one.id === range)!;
    const share = Math.abs(indicated ?? 0) / fullScale;
    return state === 'ok' && share > 0.2 && share <= 1 && Math.abs(relativeError ?? 0) < 0.6;
  });
  const isLoaded = meters.some(({ id }) => Math.abs(readings[id]!.relativeError ?? 0) > 0.03);
  const used = instruments.filter(({ id }) => meters.some(({ instrument }) => instrument === id));
  return good && isLoaded
    ? { job: { ...newJob(name), network, instruments: used, setups: [setup] }, meters: readings }
    : null;
}

/** A voltmeter across a resistor, on the lowest range that its true value fits. */
function voltmeterAcross(
  network: Network,
  element: string,
  instrument: Instrument,
  volts: number,
  id = 'V1',
): Meter | null {
  const part = network.elements.find((one) => one.id === element)!;
  const range = rangeFor(instrument, 'dc-voltage', volts);
  return range === null
    ? null
    : { id, instrument: instrument.id, quantity: 'dc-voltage', range, red: part.from, black: part.to };
}

/** An ammeter in line with a resistor, at its upper end. */
function ammeterIn(
  network: Network,
  element: string,
  instrument: Instrument,
  amperes: number,
  id = 'A1',
): Meter | null {
  const part = network.elements.find((one) => one.id === element)!;
  const range = rangeFor(instrument, 'dc-current', amperes);
  return range === null
    ? null
    : { id, instrument: instrument.id, quantity: 'dc-current', range, node: part.from, ends: [`${element}.from`] };
}

function rangeFor(instrument: Instrument, quantity: MeterQuantity, value: number): string | null {
  const room = rangesOf(instrument, quantity).filter(({ fullScale }) => fullScale >= value);
  return (
    room.reduce<(typeof room)[number] | null>((a, b) => (!a || b.fullScale < a.fullScale ? b : a), null)?.id ?? null
  );
}

const rangeWords = (instrument: Instrument, meter: Meter): string => {
  const range = rangesOf(instrument, meter.quantity).find(({ id }) => id === meter.range)!;
  return `${instrument.name ?? instrument.id}, ${meter.range} range (${formatQuantity(range.resistance, 'Ω', { digits: 3, trim: true })})`;
};

const meterWords = (instrument: Instrument, meter: Meter, element: string): string =>
  meter.quantity === 'dc-voltage'
    ? `${meter.id}, ${rangeWords(instrument, meter)}, is across ${element}.`
    : `${meter.id}, ${rangeWords(instrument, meter)}, is in line with ${element}.`;

/** A question about a meter, in the unit that suits its value. */
function ask(id: string, of: AskedOfReading, reading: MeterReading, quantity: MeterQuantity): Ask {
  const unit = quantity === 'dc-voltage' ? 'V' : 'A';
  const { meter } = of;
  switch (of.what) {
    case 'indicated':
      return { id, text: `What does ${meter} indicate?`, of, unit: unitFor(reading.indicated ?? 0, unit) };
    case 'true':
      return {
        id,
        text: `What is the true value at ${meter}, with no meter connected?`,
        of,
        unit: unitFor(reading.true ?? 0, unit),
      };
    case 'error':
      return {
        id,
        text: `What is the ${quantity === 'dc-voltage' ? 'loading' : 'insertion'} error of ${meter}, with its sign?`,
        of,
        unit: unitFor(reading.error ?? 0, unit),
      };
    case 'relative-error':
      return { id, text: `What is that error in per cent of the true value, with its sign?`, of, unit: '%' };
    case 'range':
      return { id, text: `Which range of ${meter} has the smallest uncertainty once its loading is corrected?`, of };
    case 'corrected':
      return {
        id,
        text: `What would stand there without ${meter}?`,
        of,
        unit: unitFor(of.shown, unit),
      };
  }
}

const questions: Readonly<Record<Level, readonly ('indicated' | 'true' | 'error' | 'relative-error')[]>> = {
  1: ['indicated'],
  2: ['indicated', 'error'],
  3: ['true', 'indicated', 'relative-error'],
};

/** One meter that loads its circuit. */
export const meterProblem =
  (quantity: MeterQuantity) =>
  (draw: Draw, level: Level): Drafted | null => {
    const drafted = oneMeter(draw, level, quantity);
    if (!drafted) return null;
    const { job, reading, text } = drafted;
    const at = { setup: 'S-1', meter: quantity === 'dc-voltage' ? 'V1' : 'A1' };
    return {
      text,
      job,
      asks: questions[level].map((what, k) => ask('abc'[k]!, { what, ...at }, reading, quantity)),
    };
  };

export function oneMeter(draw: Draw, level: Level, quantity: MeterQuantity) {
  const { place, network, text } = draftCircuit(draw, level);
  const values = valuesOf(network);
  if (!values) return null;
  const instrument = quantity === 'dc-voltage' ? draw.pick(loading) : needle;
  for (const element of draw.shuffled(resistorsOf(network))) {
    const { voltage, current } = values[element]!;
    const meter =
      quantity === 'dc-voltage'
        ? voltmeterAcross(network, element, instrument, voltage ?? 0)
        : ammeterIn(network, element, instrument, current ?? 0);
    const found = meter && placed(place.name, network, [instrument], [meter]);
    if (found)
      return {
        ...found,
        meter,
        reading: found.meters[meter.id]!,
        text: `${text} ${meterWords(instrument, meter, element)}`,
      };
  }
  return null;
}

/** A voltmeter and an ammeter connected at once. */
export function bothMetersProblem(draw: Draw, level: Level): Drafted | null {
  const { place, network, text } = draftCircuit(draw, level);
  const values = valuesOf(network);
  if (!values) return null;
  const voltmeter = draw.pick([...loading, handheld]);
  const instruments = voltmeter.id === needle.id ? [needle] : [voltmeter, needle];
  const parts = draw.shuffled(resistorsOf(network));
  for (const one of parts)
    for (const other of parts) {
      const v = voltmeterAcross(network, one, voltmeter, values[one]!.voltage ?? 0);
      const a = ammeterIn(network, other, needle, values[other]!.current ?? 0);
      const found = v && a && placed(place.name, network, instruments, [v, a]);
      if (found)
        return {
          text: `${text} ${meterWords(voltmeter, v, one)} ${meterWords(needle, a, other)} Both are connected at once.`,
          job: found.job,
          asks: asksOfBoth(found, level),
        };
    }
  return null;
}

function asksOfBoth(found: Placed, level: Level): Ask[] {
  const wanted: readonly AskedOfReading['what'][] = level === 3 ? ['indicated', 'error'] : ['indicated'];
  return (['V1', 'A1'] as const).flatMap((meter, m) =>
    wanted.map((what, k) =>
      ask(
        'abcd'[m * wanted.length + k]!,
        { what, setup: 'S-1', meter } as AskedOfReading,
        found.meters[meter]!,
        meter === 'V1' ? 'dc-voltage' : 'dc-current',
      ),
    ),
  );
}

/** A reading on a supply that is not set exactly: what stood there without the meter. */
export function correctProblem(draw: Draw, level: Level): Drafted | null {
  const quantity = draw.pick(['dc-voltage', 'dc-current'] as const);
  const drafted = oneMeter(draw, level, quantity);
  if (!drafted) return null;
  const { job, meter, text } = drafted;
  const source = job.network.elements[0]!;
  if (source.kind !== 'source') return null;
  const real = replaceElement(job.network, source.id, { ...source, emf: source.emf * (0.86 + 0.12 * draw.share()) });
  const unloaded = solveUnloaded(real);
  const solved = unloaded.ok ? solveSetup(unloaded.value, job.instruments ?? [], job.setups![0]!) : null;
  const instrument = job.instruments!.find(({ id }) => id === meter.instrument)!;
  if (!solved?.ok) return null;
  const range = rangesOf(instrument, quantity).find(({ id }) => id === meter.range)!;
  const { display, unit } = shownOn(instrument, quantity, range, solved.value.meters[meter.id]!.indicated);
  const shown = display === null ? null : observedNumber({ shown: display, unit });
  if (!shown) return null;
  const of: AskedOfReading = { what: 'corrected', setup: 'S-1', meter: meter.id, shown };
  return {
    text: `${text} The supply is not set exactly. ${meter.id} reads ${display} ${unit}.`,
    job,
    asks: [ask('a', of, drafted.reading, quantity)],
  };
}

/** Which range to read on; only if one is plainly best. */
export function rangeProblem(draw: Draw, level: Level): Drafted | null {
  const { place, network, text } = draftCircuit(draw, level);
  const values = valuesOf(network);
  if (!values) return null;
  const instrument = draw.pick([...loading, handheld]);
  const quantity = draw.pick(['dc-voltage', 'dc-current'] as const);
  const element = draw.pick(resistorsOf(network));
  const { voltage, current } = values[element]!;
  const highest = Math.max(...rangesOf(instrument, quantity).map(({ fullScale }) => fullScale));
  const at = quantity === 'dc-voltage' ? voltmeterAcross : ammeterIn;
  const meter = at(network, element, instrument, highest);
  if (!meter || Math.abs((quantity === 'dc-voltage' ? voltage : current) ?? 0) > highest) return null;
  const job: Job = {
    ...newJob(place.name),
    network,
    instruments: [instrument],
    setups: [{ id: 'S-1', meters: [meter] }],
  };
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) return null;
  const of: AskedOfReading = { what: 'range', setup: 'S-1', meter: meter.id };
  const left = rangesAt(unloaded.value, job, of)
    .filter(({ state, corrected }) => state === 'ok' && corrected !== null)
    .map(({ corrected }) => corrected!)
    .sort((a, b) => a - b);
  if (left.length < 2 || left[1]! < 1.3 * left[0]!) return null;
  const ranges = rangesOf(instrument, quantity).map(({ id }) => id);
  const where = quantity === 'dc-voltage' ? `across ${element}` : `in line with ${element}`;
  const reading = { indicated: 0, true: 0, error: 0 } as MeterReading;
  return {
    text: `${text} ${meter.id}, ${instrument.name ?? instrument.id}, is put ${where}; its ranges are ${ranges.join(', ')}.`,
    job,
    asks: [ask('a', of, reading, quantity)],
  };
}
