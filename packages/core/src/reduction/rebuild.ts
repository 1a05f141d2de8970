import type { Unit } from '../quantity/index.ts';
import { elementBranch, toNumber } from '../solver/index.ts';
import type { Reduction, Step } from './reduce.ts';
import type { Part } from './resistance-net.ts';
import { penFor, type Pen } from './pen.ts';
import { exact, type Rounding } from './rounding.ts';

/** Voltage V(from) − V(to) and current from → to of one part. */
interface Carried {
  readonly voltage: number;
  readonly current: number;
}

/** A line of the way back up. */
export interface UpLine {
  readonly kind: 'value' | 'check' | 'leftover' | 'note';
  /** Subject of the step: `R1 keeps 314.9 µA`. */
  readonly title: string;
  readonly formula: string;
  readonly value: number;
  readonly unit: Unit;
  /** Significant digits that the value is written with. */
  readonly digits: number;
  /** Of a check or a leftover: how far the second route is from the first, as a ratio. */
  readonly apart?: number;
}

/** One step undone, with its checks. */
interface UpStep {
  /** Place of the step in the reduction; −1 for the supply. */
  readonly step: number;
  readonly lines: readonly UpLine[];
}

/** Voltages and currents found step by step from the reduced circuit back to its parts. */
export interface Rebuilt {
  readonly steps: readonly UpStep[];
  /** Every part of every stage. */
  readonly carried: ReadonlyMap<string, Carried>;
  /** A out of the source's + terminal, and V between its terminals. */
  readonly supply: Carried;
}

/**
 * Builds a network back up from its one resistance: series keeps the current and shares the voltage, parallel keeps the
 * voltage and shares the current. At each step the shares are added up, and the last one is found by a second route.
 *
 * @returns null if nothing or only a wire joins the source's terminals
 */
export function rebuild(reduction: Reduction, rounding: Rounding = exact): Rebuilt | null {
  const { net, steps, stages, equivalent } = reduction;
  const last = stages.at(-1)![0];
  if (!last || equivalent === null) return null;
  const pen = penFor(rounding);
  const supply = supplied(reduction, pen);
  const sign = last.from === net.top ? 1 : -1;
  const carried = new Map<string, Carried>([
    [last.id, { voltage: sign * supply.voltage, current: sign * supply.current }],
  ]);
  const up: UpStep[] = [{ step: -1, lines: supply.lines }];
  for (let index = steps.length - 1; index >= 0; index -= 1) {
    const lines = undo(steps[index]!, carried, pen);
    up.push({ step: index, lines });
  }
  return { steps: up, carried, supply: { voltage: supply.voltage, current: supply.current } };
}

function supplied({ net, equivalent }: Reduction, pen: Pen): Carried & { lines: UpLine[] } {
  const { source } = net;
  const whole = equivalent!;
  if (source.kind === 'current-source') {
    const voltage = pen.keep(source.current * whole);
    return {
      current: source.current,
      voltage,
      lines: [value('Supply', `${pen.amps(source.current)} × ${pen.ohms(whole)}`, voltage, 'V', pen)],
    };
  }
  const branch = elementBranch(source, 0, 1);
  const emf = toNumber(branch.emf);
  const inside = toNumber(branch.resistance);
  const current = pen.keep(emf / pen.keep(whole + inside));
  const voltage = pen.keep(current * whole);
  const lines = [
    value(
      'Supply',
      `${pen.volts(emf)} / (${pen.ohms(whole)}${inside > 0 ? ` + ${pen.ohms(inside)}` : ''})`,
      current,
      'A',
      pen,
    ),
  ];
  lines.push(value('At its terminals', `${pen.amps(current)} × ${pen.ohms(whole)}`, voltage, 'V', pen));
  if (inside > 0)
    lines.push(
      secondRoute(
        'leftover',
        'by what is left',
        `${pen.volts(emf)} − ${pen.amps(current)} × ${pen.ohms(inside)}`,
        pen.keep(emf - pen.keep(current * inside)),
        voltage,
        'V',
        pen,
      ),
    );
  return { current, voltage, lines };
}

/** Gives the parts of a step what they carry, from what the parts carry that they were joined into. */
function undo({ rule, parts, into, points, centre }: Step, carried: Map<string, Carried>, pen: Pen): UpLine[] {
  switch (rule) {
    case 'dead-end': {
      for (const part of parts) carried.set(part.id, { voltage: 0, current: 0 });
      return [
        {
          kind: 'note',
          title: `${parts[0]!.id} carries no current`,
          formula: '',
          value: 0,
          unit: 'A',
          digits: pen.digits,
        },
      ];
    }
    case 'series': {
      const whole = carried.get(into[0]!.id)!;
      const shares = parts.map((part, index): number => {
        const sign = part.from === points[index] ? 1 : -1;
        const current = sign * whole.current;
        const voltage = pen.keep(current * part.resistance);
        carried.set(part.id, { voltage, current });
        return sign * voltage;
      });
      return shareLines('series', parts, shares, whole, pen);
    }
    case 'parallel': {
      const whole = carried.get(into[0]!.id)!;
      const shares = parts.map((part): number => {
        const sign = part.from === into[0]!.from ? 1 : -1;
        const voltage = sign * whole.voltage;
        const current = pen.keep(voltage / part.resistance);
        carried.set(part.id, { voltage, current });
        return sign * current;
      });
      return shareLines('parallel', parts, shares, whole, pen);
    }
    case 'delta-star': {
      const arm = new Map(into.map((part) => [part.from, carried.get(part.id)!.voltage]));
      return parts.map((part) => {
        const [one, other] = [arm.get(part.from)!, arm.get(part.to)!];
        const voltage = pen.keep(one - other);
        const current = pen.keep(voltage / part.resistance);
        carried.set(part.id, { voltage, current });
        return value(
          `${part.id}, ${part.from} to ${part.to}`,
          `(${pen.volts(one)} − ${pen.volts(other)}) / ${pen.ohms(part.resistance)}`,
          current,
          'A',
          pen,
        );
      });
    }
    case 'star-delta':
    case 'star-mesh': {
      const inwards: number[] = [];
      const lines = parts.map((part, index) => {
        const corner = points[index]!;
        const sides = into.filter(({ from, to }) => from === corner || to === corner);
        const flows = sides.map((side) => (side.from === corner ? 1 : -1) * carried.get(side.id)!.current);
        const inward = pen.keep(flows.reduce((sum, flow) => sum + flow, 0));
        const sign = part.from === corner ? 1 : -1;
        inwards.push(inward);
        carried.set(part.id, { voltage: pen.keep(sign * inward * part.resistance), current: sign * inward });
        return value(`${part.id}, from ${corner}`, signedSum(flows.map(pen.amps)), inward, 'A', pen);
      });
      const total = inwards.reduce((sum, flow) => sum + flow, 0);
      const size = Math.max(...inwards.map(Math.abs));
      return [
        ...lines,
        {
          kind: 'check',
          title: 'check',
          formula: `into ${centre}: ${signedSum(inwards.map(pen.amps))}`,
          value: total,
          unit: 'A',
          digits: pen.digits,
          apart: size > 0 ? total / size : 0,
        },
      ];
    }
  }
}

/** Returns the share of each member of a group, the check of the sum, and the last share by a second route. */
function shareLines(
  rule: 'series' | 'parallel',
  parts: readonly Part[],
  shares: readonly number[],
  whole: Carried,
  pen: Pen,
): UpLine[] {
  const series = rule === 'series';
  const unit = series ? 'V' : 'A';
  const print = series ? pen.volts : pen.amps;
  const kept = series ? pen.amps(whole.current) : pen.volts(whole.voltage);
  const total = series ? whole.voltage : whole.current;
  const lines = parts.map((part, index) =>
    value(
      `${part.id} keeps ${kept}`,
      `${kept} ${series ? '×' : '/'} ${pen.ohms(part.resistance)}`,
      shares[index]!,
      unit,
      pen,
    ),
  );
  const sum = pen.keep(shares.reduce((a, b) => a + b));
  const others = shares.slice(0, -1);
  const left = pen.keep(others.reduce((rest, share) => rest - share, total));
  return [
    ...lines,
    secondRoute('check', 'check', `${signedSum(shares.map(print))} = ${print(sum)}`, sum, total, unit, pen),
    secondRoute(
      'leftover',
      `${parts.at(-1)!.id} by what is left`,
      `${print(total)} − ${others.map(print).join(' − ')}`,
      left,
      shares.at(-1)!,
      unit,
      pen,
      total,
    ),
  ];
}

const value = (title: string, formula: string, result: number, unit: Unit, { digits }: Pen): UpLine => ({
  digits,
  kind: 'value',
  title,
  formula,
  value: result,
  unit,
});

/** A value found once more; how far apart the two are, against the larger of what they were formed from. */
function secondRoute(
  kind: 'check' | 'leftover',
  title: string,
  formula: string,
  second: number,
  first: number,
  unit: Unit,
  { digits }: Pen,
  size = first,
): UpLine {
  const scale = Math.max(Math.abs(size), Math.abs(first));
  return { kind, title, formula, value: second, unit, digits, apart: scale > 0 ? (second - first) / scale : 0 };
}

const signedSum = (terms: readonly string[]): string => terms.join(' + ').replaceAll('+ −', '− ');
