import type { Network } from '@usual-drag/core/network';
import { instrumentForJob, rangesOf, type ReadingQuantity } from '@usual-drag/core/instrument';
import { observedNumber } from '@usual-drag/core/readings';
import type { Job } from '@usual-drag/core/job';
import { simulatedIdentity } from '@usual-drag/core/report';
import { simulatedBench, type BenchPlace, type SimulatedBench } from '@usual-drag/core/practice';
import { simulatedMultimeter } from './simulated-multimeter-kit.ts';

const instrument = instrumentForJob(simulatedMultimeter);

/** Answer to `*IDN?`: maker, model, serial number, firmware. */
const identity = (seed: number): string => `${simulatedIdentity}SIM-${seed},1.0`;

type Place = BenchPlace extends infer P ? (P extends BenchPlace ? Omit<P, 'instrument' | 'range'> : never) : never;

/** Parts of a network that it simulates. */
const mostParts = 300;

/** Over range, and no number at all, as SCPI-99 has them. */
const [over, none] = ['9.90000000E+37', '9.91000000E+37'];

/**
 * A multimeter that speaks the open command standard and reads a simulated bench: short and long forms, upper and lower case,
 * several commands on a line with semicolons between.
 */
export class SimulatedMultimeter {
  #errors: string[] = [];
  #function: ReadingQuantity = 'dc-voltage';
  #range: number | null = null;
  #network: Network;
  #place: Place | null;
  #bench: SimulatedBench | null = null;
  #taken = 0;

  constructor(
    job: Pick<Job, 'network' | 'setups'>,
    private readonly seed: number,
  ) {
    this.#network = job.network;
    const meter = job.setups?.[0]?.meters[0];
    const [source] = job.network.elements;
    this.#place = meter
      ? (({ id: _id, instrument: _instrument, range: _range, ...place }) => place)(meter)
      : source
        ? { quantity: 'dc-voltage', red: source.from, black: source.to }
        : null;
  }

  /** Returns the answer to a line; null if the line has none. */
  answer(line: string): string | null {
    const simulated = /^\s*SIM(?:ULATED)?:(NETW(?:ORK)?|PLAC(?:E)?)\s+(.+)$/i.exec(line);
    if (simulated) return this.#simulate(simulated[1]!, simulated[2]!);
    const answers = line
      .split(';')
      .map((command) => this.#command(command.trim().replace(/^:/, '')))
      .filter((answer) => answer !== null);
    return answers.length === 0 ? null : answers.join(';');
  }

  #command(command: string): string | null {
    if (command === '') return null;
    const [head = '', argument = ''] = command.split(/\s+(.*)/s);
    const is = (pattern: string): boolean => headerPattern(pattern).test(head);
    if (is('*IDN?')) return identity(this.seed);
    if (is('*CLS')) return this.#nothing(() => (this.#errors = []));
    if (is('*RST')) return this.#nothing(() => this.#configure('dc-voltage', ''));
    if (is('*OPC?')) return '1';
    if (is('SYSTem:ERRor?') || is('SYSTem:ERRor:NEXT?')) return this.#errors.shift() ?? '+0,"No error"';
    if (is('READ?') || is('MEASure?')) return this.#read();
    for (const [pattern, quantity] of functionHeaders) {
      if (is(`CONFigure:${pattern}`)) return this.#nothing(() => this.#configure(quantity, argument));
      if (!is(`MEASure:${pattern}?`)) continue;
      this.#configure(quantity, argument);
      return this.#read();
    }
    return this.#refuse('-113,"Undefined header"');
  }

  #nothing(act: () => void): null {
    act();
    return null;
  }

  #refuse(error: string): null {
    if (this.#errors.length < 20) this.#errors.push(error);
    return null;
  }

  #configure(quantity: ReadingQuantity, argument: string): void {
    const [asked = ''] = argument.split(',');
    const range = /^\s*(|AUTO|DEF(AULT)?|MAX(IMUM)?|MIN(IMUM)?)\s*$/i.test(asked) ? null : Number(asked);
    if (range !== null && !(range > 0 && range <= Math.max(...this.#ranges(quantity).map((one) => one.fullScale))))
      return void this.#refuse('-222,"Data out of range"');
    this.#function = quantity;
    this.#range = range;
  }

  #ranges(quantity: ReadingQuantity) {
    return [...rangesOf(instrument, quantity)].sort((a, b) => a.fullScale - b.fullScale);
  }

  #read(): string {
    const place = this.#place;
    this.#taken += 1;
    // Volts are read where it is put in series, or ohms, only as far as its leads are placed for that.
    if (place?.quantity !== this.#function) return this.#noReading();
    this.#bench ??= this.#newBench();
    const wanted = this.#range;
    const ranges = this.#ranges(this.#function).filter(({ fullScale }) => wanted === null || fullScale >= wanted);
    for (const range of wanted === null ? ranges : ranges.slice(0, 1)) {
      const observed = this.#bench.read({ ...place, instrument: instrument.id, range: range.id }, this.#taken);
      const value = observed && observedNumber(observed);
      if (value != null) return numberText(value);
      if (observed === null) return this.#noReading();
    }
    return over;
  }

  #noReading(): string {
    this.#refuse('-221,"Settings conflict; the leads are not where this function can be read"');
    return none;
  }

  #simulate(what: string, text: string): null {
    try {
      const value = JSON.parse(text) as unknown;
      if (/^NETW/i.test(what)) {
        const { elements } = value as Network;
        // It solves the network in the server's own process, which must go on answering.
        if (elements.length > mostParts) return this.#refuse(`-222,"More than ${mostParts} parts"`);
        if (JSON.stringify(this.#network) !== JSON.stringify(value)) this.#bench = null;
        this.#network = value as Network;
      } else {
        this.#place = value as Place;
        this.#bench = null;
      }
    } catch {
      this.#refuse('-150,"String data error"');
    }
    return null;
  }

  #newBench(): SimulatedBench {
    return simulatedBench(this.#network, [instrument], { seed: this.seed });
  }
}

const functionHeaders: readonly (readonly [string, ReadingQuantity])[] = [
  ['VOLTage:DC', 'dc-voltage'],
  ['VOLTage', 'dc-voltage'],
  ['CURRent:DC', 'dc-current'],
  ['CURRent', 'dc-current'],
  ['RESistance', 'resistance'],
];

/** Returns the pattern of a header in its short form (its capitals) or its long one, in either case. */
function headerPattern(pattern: string): RegExp {
  const nodes = pattern.replace(/[*?]/g, '\\$&').replace(/[A-Z]+[a-z]+/g, (node) => {
    const short = /^[A-Z]+/.exec(node)![0];
    return `${short}(?:${node.slice(short.length)})?`;
  });
  return new RegExp(`^${nodes}$`, 'i');
}

/** NR3 with the digits that there are: `+6.3577E+00`. */
function numberText(value: number): string {
  const [digits, exponent] = value.toExponential().split('e') as [string, string];
  const power = Number(exponent);
  return `${value < 0 ? '' : '+'}${digits.includes('.') ? digits : `${digits}.0`}E${power < 0 ? '-' : '+'}${String(Math.abs(power)).padStart(2, '0')}`;
}
