import { findRange, rangesOf } from '../../instrument/index.ts';
import type { Job } from '../../job/index.ts';
import { solveSetup, solveUnloaded, type Meter } from '../../loading/index.ts';
import { parseEnd, type Element, type Network } from '../../network/index.ts';
import { figureAt, type FaceScale } from '../../workshop/index.ts';
import { dialInUse } from '../needle.ts';
import type { MistakesIn } from './network-mistakes.ts';
import type { AskedOfMeter } from '../problems/problem.ts';
import type { MistakeValue } from './mistake.ts';
import { reckon, twoDigits } from '../problems/twist.ts';
import { groupsOf, treeOfNetwork, treeSeenFrom, type GroupTree, type Tree } from '../worked-tree.ts';

/** Returns the values that each mistake at a meter would give for a question. */
export function meterMistakes(job: Job, of: AskedOfMeter, mistakesIn: MistakesIn): MistakeValue[] {
  const setup = job.setups?.find(({ id }) => id === of.setup);
  const meter = setup?.meters.find(({ id }) => id === of.meter);
  const unloaded = solveUnloaded(job.network);
  if (!setup || !meter || !unloaded.ok) return [];
  if (of.what === 'needle') return needleMistakes(job, meter, of.shown);
  if (of.what === 'range' || of.what === 'jack' || of.what === 'fuse') return [];
  const solved = solveSetup(unloaded.value, job.instruments ?? [], setup);
  const reading = solved.ok ? solved.value.meters[meter.id] : undefined;
  const { indicated, true: truth } = reading ?? {};
  if (indicated == null || truth == null || indicated === 0 || truth === 0) return [];
  const off = of.what === 'true' ? [] : indicatedMistakes(job, setup.meters, meter, truth, mistakesIn);
  // For a true value of nearly nothing the indicated one would equal the error: that mistake has its own name.
  const trueOff = (
    of.what === 'indicated' || of.what === 'corrected' ? [] : trueMistakes(job.network, meter, mistakesIn)
  ).filter(({ value }) => Math.abs(value) > Math.abs(truth) / 20);
  const error = indicated - truth;
  switch (of.what) {
    case 'indicated':
      return [...off, { slip: 'error-only', value: error, at: '' }];
    case 'true':
      return [...trueOff, { slip: 'error-only', value: error, at: '' }];
    case 'error':
      return [
        ...off.filter(({ slip }) => slip !== 'meter-left-out').map((one) => ({ ...one, value: one.value - truth })),
        ...trueOff.map((one) => ({ ...one, value: indicated - one.value })),
        ...roundedMistakes([indicated, truth], ([i, t]) => i! - t!),
        { slip: 'error-only', value: indicated, at: '' },
      ];
    case 'relative-error':
      return [
        { slip: 'of-indicated', value: error / indicated, at: '' },
        ...off.filter(({ slip }) => slip !== 'meter-left-out').map((one) => ({ ...one, value: one.value / truth - 1 })),
        ...trueOff.map((one) => ({ ...one, value: indicated / one.value - 1 })),
        ...roundedMistakes([indicated, truth, error], ([i, t]) => i! / t! - 1),
        ...roundedMistakes([indicated, truth, error], ([, t, e]) => e! / t!),
      ];
    case 'corrected': {
      const ratio = truth / indicated;
      return [
        { slip: 'meter-left-out', value: of.shown, at: '' },
        { slip: 'error-only', value: of.shown * (ratio - 1), at: '' },
        { slip: 'error-only', value: of.shown * (1 - ratio), at: '' },
        // Taken off instead of added on.
        { slip: 'sign', value: of.shown * (2 - ratio), at: '' },
        { slip: 'sign', value: of.shown / ratio, at: '' },
        ...off
          .filter(({ slip, value }) => slip !== 'meter-left-out' && value !== 0)
          .map((one) => ({ ...one, value: (of.shown * truth) / one.value })),
        ...roundedMistakes([ratio, ratio - 1], ([r]) => of.shown * r!),
        ...roundedMistakes([ratio, ratio - 1], ([, r]) => of.shown * (1 + r!)),
      ];
    }
  }
}

/** Returns the values of a needle that is read on another scale, or whose figure is taken as the value. */
function needleMistakes(
  { instruments = [] }: Job,
  { instrument: id, quantity, range }: Meter,
  value: number,
): MistakeValue[] {
  const instrument = instruments.find((one) => one.id === id);
  const dial = instrument && dialInUse(instrument, quantity, range);
  if (!dial) return [];
  const figureOn = (scale: FaceScale): number => figureAt(scale, dial.range, value);
  const unit = value / (figureOn(dial.scale) || 1);
  return [
    ...dial.others.map((other): MistakeValue => ({
      slip: 'wrong-scale',
      value: figureOn(other) * unit,
      at: `0–${other.fullScale}`,
    })),
    { slip: 'figure-not-converted', value: figureOn(dial.scale), at: '' },
  ];
}

/** Returns the indicated values that mistakes give. */
function indicatedMistakes(
  job: Job,
  meters: readonly Meter[],
  meter: Meter,
  truth: number,
  mistakesIn: MistakesIn,
): MistakeValue[] {
  const { network, instruments = [] } = job;
  const resistanceOf = (one: Meter): number =>
    findRange(
      instruments.find(({ id }) => id === one.instrument)!,
      one.quantity,
      one.range,
    )!.resistance;
  const others = meters.filter((one) => one !== meter);
  const left: MistakeValue[] = subsets(others).map((some) => ({
    slip: 'meter-left-out',
    value: some.length === 0 ? truth : (indicatedWith(network, [idealOf(meter), ...some.map(fitted)]) ?? truth),
    at: '',
  }));
  function fitted(one: Meter): FittedMeter {
    return { meter: one, resistance: resistanceOf(one) };
  }
  const all = [fitted(meter), ...others.map(fitted)];
  const alone =
    others.length > 0 ? [{ slip: 'meter-left-out', value: indicatedWith(network, [all[0]!])!, at: '' } as const] : [];
  const ranges = rangesOf(
    instruments.find(({ id }) => id === meter.instrument)!,
    meter.quantity,
  );
  const ofRanges = ranges
    .filter(({ resistance }) => resistance !== resistanceOf(meter))
    .map(({ id, resistance }): MistakeValue => ({
      slip: 'wrong-range',
      value: indicatedWith(network, [{ meter, resistance }, ...all.slice(1)]) ?? NaN,
      at: id,
    }));
  const tree = treeWith(network, all);
  if (!tree)
    return [...left, ...alone, ...ofRanges, ...bySource(network, meter, resistanceOf(meter), truth, mistakesIn)];
  const sign = Math.sign(indicatedWith(network, all) ?? 1);
  const own = (of: ReturnType<typeof reckon>): number[] => {
    const found = of.parts.get(meter.id);
    return found ? [sign * (meter.quantity === 'dc-voltage' ? found.voltage : found.current)] : [];
  };
  const asSeries = pairings(tree.tree, meter.id).flatMap(({ whole, group }) =>
    own(reckon(whole, tree.emf, { kind: 'meter-in-series', groups: [group], meter: meter.id })).map(
      (value): MistakeValue => ({
        slip: 'meter-in-series',
        value,
        at: '',
      }),
    ),
  );
  return [
    ...left,
    ...alone,
    ...ofRanges,
    ...asSeries,
    ...mistakesIn(tree.tree, tree.emf, own, meter.id),
    ...bySource(network, meter, resistanceOf(meter), truth, mistakesIn),
  ];
}

/** Returns the true values that mistakes give: those of the one part that the meter is across, or in series with. */
function trueMistakes(network: Network, meter: Meter, mistakesIn: MistakesIn): MistakeValue[] {
  const worked = treeOfNetwork(network);
  const part =
    meter.quantity === 'dc-voltage'
      ? network.elements.find(({ kind, from, to }) => kind === 'resistor' && from === meter.red && to === meter.black)
          ?.id
      : parseEnd(meter.ends[0]!)?.element;
  if (!worked || part === undefined) return [];
  const reversed = meter.quantity === 'dc-current' && meter.reversed ? -1 : 1;
  return mistakesIn(worked.tree, worked.emf, ({ parts }) => {
    const found = parts.get(part);
    return found ? [reversed * (meter.quantity === 'dc-voltage' ? found.voltage : found.current)] : [];
  });
}

/** By the source resistance: V·R_m/(R_m + R_s), with slips in R_s. */
function bySource(network: Network, meter: Meter, own: number, truth: number, mistakesIn: MistakesIn): MistakeValue[] {
  if (meter.quantity !== 'dc-voltage') return [];
  const seen = treeSeenFrom(network, meter.red, meter.black);
  if (!seen) return [];
  const right = reckon(seen, 1).resistance;
  return [
    // A source resistance that was not turned over is next to nothing: as if there were no meter.
    ...mistakesIn(seen, 1, ({ resistance }) => [(truth * own) / (own + resistance)]).filter(
      ({ slip }) => slip !== 'reciprocal-not-inverted' && slip !== 'divider-inverted',
    ),
    { slip: 'divider-inverted', value: (truth * right) / (own + right), at: 'the meter and its source resistance' },
    ...roundedMistakes([truth, right, own / (own + right)], ([v, r]) => (v! * own) / (own + r!)),
    ...roundedMistakes([truth, right, own / (own + right)], ([v, , share]) => v! * share!),
  ];
}

/** Each value on the way rounded alone, and all of them. */
function roundedMistakes(values: readonly number[], result: (values: readonly number[]) => number): MistakeValue[] {
  const variants = [
    ...values.map((_, at) => values.map((value, k) => (k === at ? twoDigits(value) : value))),
    values.map(twoDigits),
  ];
  return variants.map((some) => ({ slip: 'rounded-early', value: result(some), at: '' }));
}

interface FittedMeter {
  readonly meter: Meter;
  readonly resistance: number;
}

/** A meter that changes nothing. */
const idealOf = (meter: Meter): FittedMeter => ({ meter, resistance: meter.quantity === 'dc-voltage' ? 1e15 : 1e-12 });

/** A network with meters as the resistors that they are. */
function withMeters(network: Network, meters: readonly FittedMeter[]): Network {
  let elements: readonly Element[] = network.elements;
  for (const { meter, resistance } of meters) {
    if (meter.quantity === 'dc-voltage') {
      elements = [...elements, { id: meter.id, kind: 'resistor', from: meter.red, to: meter.black, resistance }];
      continue;
    }
    const opened = `${meter.id}-black`;
    const lifted = meter.ends.map((end) => parseEnd(end)!);
    elements = [
      ...elements.map((element) =>
        lifted
          .filter((end) => end.element === element.id)
          .reduce<Element>((one, { end }) => ({ ...one, [end]: opened }), element),
      ),
      { id: meter.id, kind: 'resistor', from: meter.node, to: opened, resistance },
    ];
  }
  return { ...network, elements };
}

/** V or A of the first of some meters in their network. */
function indicatedWith(network: Network, meters: readonly FittedMeter[]): number | null {
  const solved = solveUnloaded(withMeters(network, meters));
  const [{ meter }] = meters as [FittedMeter];
  const values = solved.ok ? solved.value.values.elements[meter.id] : undefined;
  if (!values) return null;
  if (meter.quantity === 'dc-voltage') return values.voltage;
  return values.current === null ? null : (meter.reversed ? -1 : 1) * values.current;
}

const treeWith = (network: Network, meters: readonly FittedMeter[]) => treeOfNetwork(withMeters(network, meters));

/** Returns every way to pair a meter with its neighbours: with all of its group, and with each of it alone. */
function pairings(tree: Tree, meter: string): { readonly whole: Tree; readonly group: GroupTree }[] {
  const group = groupsOf(tree).find(({ items }) => items.some((item) => item.kind === 'part' && item.id === meter));
  if (!group) return [];
  const own = group.items.find((item) => item.kind === 'part' && item.id === meter)!;
  const others = group.items.filter((item) => item !== own);
  const apart = others.length < 2 ? [] : others;
  return [
    { whole: tree, group },
    ...apart.map((other) => {
      const pair: GroupTree = { kind: group.kind, items: [other, own] };
      const nested: GroupTree = { ...group, items: [pair, ...others.filter((one) => one !== other)] };
      return { whole: replaced(tree, group, nested), group: pair };
    }),
  ];
}

const replaced = (tree: Tree, group: GroupTree, by: GroupTree): Tree => {
  if (tree === group) return by;
  return tree.kind === 'part' ? tree : { ...tree, items: tree.items.map((item) => replaced(item, group, by)) };
};

const subsets = <T>(all: readonly T[]): (readonly T[])[] =>
  all.reduce<(readonly T[])[]>((some, one) => [...some, ...some.map((set) => [...set, one])], [[]]);
