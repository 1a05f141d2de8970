import { networkMeant, type Job } from '../job/index.ts';
import { jackOf, rangesOf } from '../instrument/index.ts';
import {
  explainReading,
  isLinear,
  measurementPointOf,
  solveUnloaded,
  type Meter,
  type Unloaded,
} from '../loading/index.ts';
import { formatPercent, formatQuantity, type Unit } from '../quantity/index.ts';
import { rebuild, reduceNet, resistanceNet, stepTitle } from '../reduction/index.ts';
import { figureAt, movementOf, planDesign, sectionWords, type Design } from '../workshop/index.ts';
import { dialInUse } from './needle.ts';
import { acrossSource, rangesAt, readingOf } from './answer.ts';
import type { Ask, AskedOfMeter, AskedOfPart, Problem } from './problems/problem.ts';

/** One step on the way to an answer. */
export interface WorkingStep {
  /** Step without a number, as a hint. */
  readonly title: string;
  /** It with its numbers. */
  readonly formula: string;
}

const show = (value: number | null, unit: Unit): string => formatQuantity(value, unit, { digits: 4, trim: true });

/** The way to a question's answer, step by step; none if the problem does not have what is asked about. */
export function workingOf({ job, design }: Problem, { of }: Ask): readonly WorkingStep[] {
  if (of.what === 'section') return design ? sectionSteps(design, of.range) : [];
  if (!job) return [];
  if (of.what === 'fault')
    return [
      {
        title: 'Look which readings agree with the sound circuit: what they have in common is sound.',
        formula: 'the readings that agree',
      },
      {
        title:
          'Follow the current: where it is missing something is open, where a voltage is missing something is shorted.',
        formula: 'what the others have in common',
      },
    ];
  const solved = solveUnloaded(networkMeant(job));
  if (!solved.ok) return [];
  return 'setup' in of ? meterSteps(solved.value, job, of) : partSteps(solved.value, of);
}

function partSteps(unloaded: Unloaded, of: AskedOfPart): WorkingStep[] {
  const { network, values } = unloaded;
  const source = network.elements.find(({ kind, id }) =>
    of.what === 'equivalent' ? id === of.source : kind === 'source',
  );
  if (source?.kind !== 'source') return [];
  const reduction = reduceNet(resistanceNet(network, source, unloaded.tangent));
  const down = reduction.steps.map((step): WorkingStep => ({
    title: stepTitle(step),
    formula: step.formulas[0] ?? '',
  }));
  if (of.what === 'equivalent') return down;
  const up = (rebuild(reduction)?.steps ?? []).flatMap(({ lines }) =>
    lines
      .filter(({ kind }) => kind === 'value')
      .map(({ title, formula, value, unit }): WorkingStep => ({ title, formula: `${formula} = ${show(value, unit)}` })),
  );
  const part = values.elements[of.element];
  if (!part) return [];
  const { voltage, current, power } = part;
  if (of.what === 'power')
    return [
      ...down,
      ...up,
      {
        title: `Power of ${of.element}: voltage times current`,
        formula: `${show(voltage, 'V')} × ${show(current, 'A')} = ${show(power, 'W')}`,
      },
    ];
  if (of.what === 'charge')
    return [
      ...down,
      ...up,
      {
        title: 'Charge: current times time in seconds',
        formula: `${show(current, 'A')} × ${of.seconds} s = ${show((current ?? 0) * of.seconds, 'C')}`,
      },
    ];
  return [...down, ...up];
}

function meterSteps(unloaded: Unloaded, job: Job, of: AskedOfMeter): WorkingStep[] {
  const reading = readingOf(unloaded, job, of);
  const setup = job.setups?.find(({ id }) => id === of.setup);
  const meter = setup?.meters.find(({ id }) => id === of.meter);
  if (!reading || !setup || !meter) return [];
  const across = meter.quantity === 'dc-voltage';
  const unit = across ? 'V' : 'A';
  const point = measurementPointOf(unloaded, job.instruments ?? [], setup, meter.id);
  const source = point.ok ? point.value.sourceResistance : null;
  const truth: WorkingStep = {
    title: `The true value, with no meter connected`,
    formula: show(reading.true, unit),
  };
  const seen: WorkingStep = {
    title: `The source resistance: what ${meter.id}'s leads see with the source as a wire`,
    formula: `R_s = ${show(source, 'Ω')}`,
  };
  const own: WorkingStep = {
    title: `The resistance of ${meter.id} on its range`,
    formula: `R_m = ${show(reading.meterResistance, 'Ω')}`,
  };
  const { formula, sentence } = explainReading(meter, reading, isLinear(unloaded));
  const indicated: WorkingStep = {
    title: across
      ? 'The meter and its source resistance share the voltage: true × R_m / (R_m + R_s)'
      : 'The meter lowers the current: true × R_s / (R_s + R_m)',
    formula: formula ? `${formula} = ${show(reading.indicated, unit)}` : sentence,
  };
  switch (of.what) {
    case 'true':
      return [truth];
    case 'indicated':
      return [truth, seen, own, indicated];
    case 'error':
      return [
        truth,
        seen,
        own,
        indicated,
        {
          title: 'The error: indicated less true',
          formula: `${show(reading.indicated, unit)} − ${show(reading.true, unit)} = ${show(reading.error, unit)}`,
        },
      ];
    case 'relative-error':
      return [
        seen,
        own,
        {
          title: across
            ? 'The error over the true value: −R_s / (R_m + R_s)'
            : 'The error over the true value: −R_m / (R_m + R_s)',
          formula: formatPercent(reading.relativeError, { digits: 4 }),
        },
      ];
    case 'corrected':
      return [
        seen,
        own,
        {
          title: across
            ? 'Back to the true value: indicated × (1 + R_s / R_m)'
            : 'Back to the true value: indicated × (1 + R_m / R_s)',
          formula: `${show(of.shown, unit)} × ${((reading.true ?? 0) / (reading.indicated ?? 1)).toPrecision(5)} = ${show((of.shown * (reading.true ?? 0)) / (reading.indicated ?? 1), unit)}`,
        },
      ];
    case 'needle':
      return needleSteps(job, meter, of.shown);
    case 'jack':
      return jackSteps(job, meter);
    case 'fuse':
      return fuseSteps(unloaded, job, of);
    case 'range':
      return [
        seen,
        {
          title:
            'For each range that is not over: accuracy and resolution, and what 1 % of the meter’s resistance leaves in the correction',
          formula: rangesAt(unloaded, job, of)
            .map(
              ({ range, state, corrected }) =>
                `${range.id}: ${state === 'ok' ? `±${show(corrected, unit)}` : state.replace('-', ' ')}`,
            )
            .join('; '),
        },
      ];
  }
}

function needleSteps(
  { instruments = [] }: Job,
  { instrument: id, quantity, range }: Meter,
  value: number,
): WorkingStep[] {
  const instrument = instruments.find((one) => one.id === id);
  const dial = instrument && dialInUse(instrument, quantity, range);
  if (!dial) return [];
  const { scale } = dial;
  const figure = Number(figureAt(scale, dial.range, value).toPrecision(4));
  return [
    { title: 'The scale that ends on the digits of the range', formula: `0–${scale.fullScale}` },
    { title: 'The figure at the needle on this scale', formula: String(figure) },
    {
      title: 'The last figure corresponds to full scale',
      formula: `${figure} / ${scale.fullScale} × ${range} = ${show(value, quantity === 'dc-voltage' ? 'V' : 'A')}`,
    },
  ];
}

function fuseSteps(unloaded: Unloaded, job: Job, of: Extract<AskedOfMeter, { what: 'fuse' }>): WorkingStep[] {
  const found = acrossSource(unloaded, job, of);
  if (!found) return [];
  return [
    { title: `The resistance of the ammeter on its ${of.range} range`, formula: show(found.resistance, 'Ω') },
    {
      title: `Across ${of.source} nothing but this resistance and that of the source limits the current`,
      formula: show(found.current, 'A'),
    },
    { title: 'Compare it with the rating of the fuse', formula: show(found.fuse, 'A') },
  ];
}

function jackSteps({ instruments = [] }: Job, { instrument: id, quantity }: Meter): WorkingStep[] {
  const instrument = instruments.find((one) => one.id === id);
  if (!instrument) return [];
  const formula = rangesOf(instrument, quantity)
    .map((range) => `${range.id}: ${jackOf(quantity, range)}`)
    .join('; ');
  return [{ title: 'Every range has its jack', formula }];
}

function sectionSteps(design: Design, range: number): WorkingStep[] {
  const movement = movementOf(design.movement);
  const plan = movement.ok ? planDesign(design, movement.value) : null;
  if (!movement.ok || !plan?.ok) return [];
  const { sections, ranges } = plan.value;
  const words = sectionWords(design, movement.value, {
    ranges,
    sections: sections.map((section) => ({
      ...section,
      parts: { values: [section.resistance], joined: 'single', resistance: section.resistance },
    })),
  });
  const rising = [...design.ranges].sort((a, b) => a - b);
  const at = design.scheme === 'universal' ? rising.length - 1 - rising.indexOf(range) : rising.indexOf(range);
  const own = words[at];
  if (!own) return [];
  const step: WorkingStep = {
    title: own.name[0]!.toUpperCase() + own.name.slice(1),
    formula: `${own.formula} = ${show(sections[at]!.resistance, 'Ω')}`,
  };
  if (design.target === 'voltmeter')
    return [
      { title: 'At full scale the movement’s current flows through everything in series with it', formula: '' },
      step,
    ];
  const shunt: WorkingStep = {
    title: 'At full scale the shunt has the movement’s voltage and carries the rest of the current',
    formula: '',
  };
  if (design.scheme !== 'universal') return [shunt, step];
  return [
    shunt,
    {
      title: 'The whole ring shunts the movement on the lowest range: I_m·R_m / (I_lowest − I_m)',
      formula: show(ranges[0]!.resistance, 'Ω'),
    },
    {
      title: 'The tap of a range: I_m·(ring + R_m) / I',
      formula: ranges.map((one) => `${show(one.range, 'A')}: ${show(one.resistance, 'Ω')}`).join('; '),
    },
    step,
  ];
}
