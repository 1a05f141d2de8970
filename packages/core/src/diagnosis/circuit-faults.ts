import { rangesOf, type Instrument, type MeterQuantity } from '../instrument/index.ts';
import { type Element, type Network, type Resistor } from '../network/index.ts';
import { setupOf } from '../readings/index.ts';
import { tolerancedParts } from '../uncertainty/index.ts';
import type { Hypothesis } from './fault.ts';
import { fitOne } from './fit-one.ts';
import { fuseOf, meteredCircuit, meterName, type Observed } from './observed.ts';
import { misfitOf, type Prediction } from './prediction.ts';
import { openSwitch } from './with-fault.ts';
import { evaluate, indicatedWith, type Change, type ReadingCircuit } from './reading-circuit.ts';

/** How the circuit of a reading is changed. */
type ChangesOf = (circuit: ReadingCircuit, reading: number) => readonly Change[];

/** Parts whose tolerance a fault has changed, Ω either way. */
type Spans = readonly (readonly [string, number])[];

/** Every fault of the circuit, with what each reading would then say. Fitted values are those of the least misfit. */
export function circuitFaults(
  network: Network,
  instruments: readonly Instrument[],
  observed: readonly Observed[],
): Prediction[] {
  const circuits = circuitsOf(network, instruments, observed);
  if (!circuits) return [];
  const look = new Faults(network, instruments, observed, circuits);
  return [...network.elements.flatMap((element) => look.ofElement(element)), ...look.swaps(), ...look.meters()];
}

/** The circuit of every reading in a network; null where one cannot be laid out. */
function circuitsOf(
  network: Network,
  instruments: readonly Instrument[],
  observed: readonly Observed[],
): ReadingCircuit[] | null {
  const circuits = observed.map(({ reading }) => meteredCircuit(network, instruments, reading));
  return circuits.includes(null) ? null : (circuits as ReadingCircuit[]);
}

class Faults {
  /** Ω that each toleranced part may be off. */
  private readonly spans: ReadonlyMap<string, number>;
  private readonly laidOut = new WeakMap<ReadingCircuit, Float64Array>();

  constructor(
    private readonly network: Network,
    private readonly instruments: readonly Instrument[],
    private readonly observed: readonly Observed[],
    private readonly circuits: readonly ReadingCircuit[],
  ) {
    this.spans = new Map(tolerancedParts(network).map(({ branch, span }) => [network.elements[branch]!.id, span]));
  }

  ofElement(element: Element): Prediction[] {
    if (element.from === element.to) return [];
    const { id } = element;
    switch (element.kind) {
      case 'resistor':
        return [
          ...this.inPlace(id, this.circuits, { open: true, short: true }),
          ...this.decades(element),
          ...this.outOfTolerance(element),
        ];
      case 'load':
        return this.inPlace(id, this.circuits, { open: true, short: true });
      case 'source':
        return this.ofSource(element);
      case 'current-source':
        return [
          ...this.variant({ fault: 'supply-off', where: [id], value: null }, { ...element, current: 0 }),
          ...this.variant(
            { fault: 'supply-reversed', where: [id], value: null },
            { ...element, current: -element.current },
          ),
        ];
      case 'switch':
        return [
          ...this.variant({ fault: 'switch', where: [id], value: null }, { ...element, closed: !element.closed }),
          ...(element.closed ? this.contactOf(element) : []),
        ];
      case 'link':
        return [
          ...this.variant({ fault: 'open', where: [id], value: null }, openSwitch(element)),
          ...this.contactOf(element),
        ];
    }
  }

  /** Open, short and a bad contact of what is a resistance in the circuits. */
  private inPlace(
    id: string,
    circuits: readonly ReadingCircuit[],
    { open, short }: { readonly open: boolean; readonly short: boolean },
  ): Prediction[] {
    const at = (circuit: ReadingCircuit, by: (resistance: number) => number): Change[] => {
      const index = circuit.index.get(id);
      return index === undefined ? [] : [{ index, by: by(circuit.resistances[index]!) }];
    };
    return [
      ...(open
        ? [this.predict({ fault: 'open', where: [id], value: null }, circuits, (c) => at(c, () => Infinity))]
        : []),
      ...(short ? [this.predict({ fault: 'short', where: [id], value: null }, circuits, (c) => at(c, (r) => -r))] : []),
      this.fittedPart(
        (ohms) => ({ fault: 'contact', where: [id], value: ohms }),
        circuits,
        id,
        (ohms) => ohms,
      ),
    ];
  }

  private decades({ id, resistance }: Resistor): Prediction[] {
    return [10, 0.1, 100, 0.01].map((factor) => {
      const scaled: Spans = [[id, (this.spans.get(id) ?? 0) * factor]];
      const hypothesis = { fault: 'decade', where: [id], value: factor } as const;
      return this.predict(hypothesis, this.circuits, this.setting(id, factor * resistance), scaled);
    });
  }

  private outOfTolerance({ id, resistance, tolerance = 0 }: Resistor): Prediction[] {
    const spans: Spans = [[id, 0]];
    const fitted = this.fittedPart(
      (ohms) => ({ fault: 'out-of-tolerance', where: [id], value: ohms }),
      this.circuits,
      id,
      (ohms, own) => ohms - own,
      spans,
    );
    const { value } = fitted.hypothesis;
    return typeof value === 'number' && Math.abs(value / resistance - 1) > tolerance ? [fitted] : [];
  }

  /** A resistance set to another value, Ω. */
  private setting =
    (id: string, ohms: number): ChangesOf =>
    (circuit) => {
      const index = circuit.index.get(id);
      return index === undefined ? [] : [{ index, by: ohms - circuit.resistances[index]! }];
    };

  /** Two resistors exchanged, their tolerances with them. */
  swaps(): Prediction[] {
    const resistors = this.network.elements.filter((one): one is Resistor => one.kind === 'resistor');
    return resistors.flatMap((a, at) =>
      resistors.slice(at + 1).flatMap((b): Prediction[] => {
        if (a.resistance === b.resistance) return [];
        const spans: Spans = [
          [a.id, this.spans.get(b.id) ?? 0],
          [b.id, this.spans.get(a.id) ?? 0],
        ];
        const [toA, toB] = [this.setting(a.id, b.resistance), this.setting(b.id, a.resistance)];
        const hypothesis = { fault: 'swapped', where: [a.id, b.id], value: null } as const;
        return [this.predict(hypothesis, this.circuits, (c, k) => [...toA(c, k), ...toB(c, k)], spans)];
      }),
    );
  }

  /** A link, a closed switch or an ideal source with a resistance of its own. */
  private contactOf(element: Element): Prediction[] {
    const { id, from, to } = element;
    const resistive: Element =
      element.kind === 'source'
        ? { ...element, internalResistance: 1 }
        : { id, from, to, kind: 'resistor', resistance: 1 };
    const circuits = this.circuitsWith(resistive);
    if (!circuits) return [];
    return [
      this.fittedPart(
        (ohms) => ({ fault: 'contact', where: [id], value: ohms }),
        circuits,
        id,
        (ohms, own) => ohms - own,
      ),
    ];
  }

  private ofSource(source: Extract<Element, { kind: 'source' }>): Prediction[] {
    const { id, emf } = source;
    const inside = (source.internalResistance ?? 0) > 0;
    const where = [id];
    const off = this.circuitsWith({ ...source, emf: 0 });
    const whole = emf * (source.cellsInSeries ?? 1);
    return [
      ...(inside
        ? this.inPlace(id, this.circuits, { open: true, short: false })
        : [...this.variant({ fault: 'open', where, value: null }, openSwitch(source)), ...this.contactOf(source)]),
      ...(off
        ? [
            this.predict({ fault: 'supply-off', where, value: null }, off, () => []),
            ...this.variant({ fault: 'supply-reversed', where, value: null }, { ...source, emf: -emf }),
            ...(whole === 0 ? [] : [this.supplyValue(id, whole, off)]),
          ]
        : []),
      ...this.limited(source),
    ];
  }

  /** The EMF of the least misfit: every indication is a straight line in it. */
  private supplyValue(id: string, whole: number, off: readonly ReadingCircuit[]): Prediction {
    const at = (volts: number): Prediction => {
      const share = volts / whole;
      const between = (a: number, b: number): number => a + (b - a) * share;
      const circuits = this.circuits.map((on, k): ReadingCircuit => {
        const rest = off[k]!;
        return {
          ...on,
          indicated: between(rest.indicated, on.indicated),
          currents: on.currents.map((current, i) => between(rest.currents[i]!, current)),
        };
      });
      return this.predict({ fault: 'supply-value', where: [id], value: volts }, circuits, () => [], [], 1);
    };
    let [sum, weight] = [0, 0];
    const { u } = at(whole);
    this.observed.forEach(({ value }, k) => {
      const slope = (this.circuits[k]!.indicated - off[k]!.indicated) / whole;
      sum += (slope * (value - off[k]!.indicated)) / u[k]! ** 2;
      weight += (slope / u[k]!) ** 2;
    });
    return at(weight === 0 ? whole : sum / weight);
  }

  /** A constant current wherever more would flow. */
  private limited(source: Extract<Element, { kind: 'source' }>): Prediction[] {
    const { id, from, to } = source;
    const driven = (current: number) => this.circuitsWith({ id, from, to, kind: 'current-source', current });
    const [none, one] = [driven(0), driven(1)];
    if (!none || !one) return [];
    const usual = this.circuits.map(({ indicated }, k) => {
      const perAmp = one[k]!.indicated - none[k]!.indicated;
      return perAmp === 0 ? 0 : (indicated - none[k]!.indicated) / perAmp;
    });
    const most = Math.max(...usual.map(Math.abs));
    if (!(most > 0)) return [];
    const at = (amps: number): Prediction => {
      const circuits = this.circuits.map((free, k): ReadingCircuit => {
        if (Math.abs(usual[k]!) <= amps) return free;
        const current = Math.sign(usual[k]!) * amps;
        const [low, high] = [none[k]!, one[k]!];
        return {
          ...low,
          indicated: low.indicated + current * (high.indicated - low.indicated),
          currents: low.currents.map((own, i) => own + current * (high.currents[i]! - own)),
        };
      });
      return this.predict({ fault: 'supply-limited', where: [id], value: amps }, circuits, () => [], [], 1);
    };
    return [fitOne((amps) => misfitOf(at(amps), this.observed), most * 1e-3, most, at)];
  }

  /** The resistance of all ranges of one quantity of an instrument off by a factor. */
  meters(): Prediction[] {
    const quantities: readonly MeterQuantity[] = ['dc-voltage', 'dc-current'];
    return this.instruments.flatMap((instrument) =>
      quantities.flatMap((quantity): Prediction[] => {
        const used = this.observed.some(({ reading }) =>
          setupOf(reading).meters.some((one) => one.instrument === instrument.id && one.quantity === quantity),
        );
        if (!used || rangesOf(instrument, quantity).every(({ resistance }) => resistance === 0)) return [];
        const indices = this.circuits.map((circuit, k) =>
          setupOf(this.observed[k]!.reading).meters.flatMap((meter) => {
            const index = circuit.index.get(meterName(meter));
            const isOne = meter.instrument === instrument.id && meter.quantity === quantity;
            return isOne && index !== undefined ? [index] : [];
          }),
        );
        const off =
          (factor: number): ChangesOf =>
          (circuit, k) =>
            indices[k]!.map((index) => ({ index, by: (factor - 1) * circuit.resistances[index]! }));
        return [
          this.fitted(
            (factor) => ({ fault: 'meter', where: [instrument.id], value: { quantity, factor } }),
            this.circuits,
            off,
            [],
            [1e-3, 1e3],
          ),
        ];
      }),
    );
  }

  /** The circuits with one element replaced; null where they cannot be laid out. */
  private circuitsWith(element: Element): ReadingCircuit[] | null {
    const elements = this.network.elements.map((one) => (one.id === element.id ? element : one));
    return circuitsOf({ ...this.network, elements }, this.instruments, this.observed);
  }

  private variant(hypothesis: Hypothesis, element: Element): Prediction[] {
    const circuits = this.circuitsWith(element);
    return circuits ? [this.predict(hypothesis, circuits, () => [])] : [];
  }

  /**
   * One resistance fitted, Ω: each indication is in closed form, so that the search costs a few operations a reading. The
   * weights are those at the value that was found before, twice.
   *
   * @param by  Ω more for a value, and for what the resistance is now
   */
  private fittedPart(
    hypothesisAt: (value: number) => Hypothesis,
    circuits: readonly ReadingCircuit[],
    id: string,
    by: (value: number, own: number) => number,
    spans: Spans = [],
  ): Prediction {
    const at = (value: number): Prediction =>
      this.predict(
        hypothesisAt(value),
        circuits,
        (circuit) => {
          const index = circuit.index.get(id);
          return index === undefined ? [] : [{ index, by: by(value, circuit.resistances[index]!) }];
        },
        spans,
        1,
      );
    const indices = circuits.map((circuit) => circuit.index.get(id) ?? -1);
    const fuses = this.observed.map(fuseOf);
    let { u } = this.predict(hypothesisAt(0), circuits, () => [], spans);
    let found: Prediction | null = null;
    for (let round = 0; round < 3; round += 1) {
      const misfit = (value: number): number => {
        let sum = 0;
        for (let k = 0; k < circuits.length; k += 1) {
          const circuit = circuits[k]!;
          const index = indices[k]!;
          const indicated =
            index === -1 ? circuit.indicated : indicatedWith(circuit, index, by(value, circuit.resistances[index]!));
          const told = Math.abs(indicated) > fuses[k]! ? 0 : indicated;
          sum += ((this.observed[k]!.value - told) / u[k]!) ** 2;
        }
        return sum;
      };
      found = fitOne(misfit, 1e-3, 1e9, at);
      u = found.u;
    }
    return found!;
  }

  private fitted(
    hypothesisAt: (value: number) => Hypothesis,
    circuits: readonly ReadingCircuit[],
    changesAt: (value: number) => ChangesOf,
    spans: Spans = [],
    [least, most]: readonly [number, number] = [1e-3, 1e9],
  ): Prediction {
    const at = (value: number): Prediction => this.predict(hypothesisAt(value), circuits, changesAt(value), spans, 1);
    return fitOne((value) => misfitOf(at(value), this.observed), least, most, at);
  }

  /** Ω that each resistance of a circuit may be off, in its order, but for those that a fault has changed. */
  private spansIn(circuit: ReadingCircuit, changed: Spans): Float64Array {
    let base = this.laidOut.get(circuit);
    if (!base) {
      base = Float64Array.from(circuit.names, (name) => this.spans.get(name) ?? 0);
      this.laidOut.set(circuit, base);
    }
    if (changed.length === 0) return base;
    const spans = base.slice();
    for (const [id, span] of changed) {
      const index = circuit.index.get(id);
      if (index !== undefined) spans[index] = span;
    }
    return spans;
  }

  private predict(
    hypothesis: Hypothesis,
    circuits: readonly ReadingCircuit[],
    changesOf: ChangesOf,
    spans: Spans = [],
    fitted = 0,
  ): Prediction {
    const values = new Float64Array(circuits.length);
    const u = new Float64Array(circuits.length);
    circuits.forEach((circuit, k) => {
      const observed = this.observed[k]!;
      const { indicated, tolerance } = evaluate(circuit, changesOf(circuit, k), this.spansIn(circuit, spans));
      const blown = Math.abs(indicated) > fuseOf(observed);
      values[k] = blown ? 0 : indicated;
      u[k] = Math.hypot(observed.u, blown ? 0 : tolerance);
    });
    return { hypothesis, values, u, fitted };
  }
}
