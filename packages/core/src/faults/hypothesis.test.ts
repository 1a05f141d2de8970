import { solveUnloaded, type VoltmeterPlacement } from '../loading/index.ts';
import { read } from '../test/read-line.ts';
import { misleadingReadings } from './misleading-readings.ts';
import { faultSentence, possibleFaults, tryableFaults, withFault } from './hypothesis.ts';

const network = read('E1 24V/1R8: S1 closed + R1 1k 1% + (R2 2.2k || R3 1k + R4 1k) + W1 link + L1 12V 0.02A');
const solved = (of: typeof network) => {
  const unloaded = solveUnloaded(of);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  return unloaded.value;
};
const sound = solved(network);
const across = (red: string, black: string): VoltmeterPlacement => ({
  id: 'V1',
  instrument: 'm',
  quantity: 'dc-voltage',
  range: '20 V',
  red,
  black,
});
const endsOf = (id: string) => {
  const { from, to } = network.elements.find((one) => one.id === id)!;
  return across(from, to);
};

test('every fault that can be tried changes the circuit, and has a name and a sentence', () => {
  let tried = 0;
  for (const element of network.elements) {
    for (const { hypothesis, name } of tryableFaults(network, element)) {
      const faulty = solveUnloaded(withFault({ network, instruments: [] }, hypothesis).network);
      if (!faulty.ok) throw new Error(`${name}: ${faulty.fault.code}`);
      expect(JSON.stringify(faulty.value.values)).not.toBe(JSON.stringify(sound.values));
      expect(name).toMatch(/^[a-z]/);
      expect(faultSentence(hypothesis)).toContain(element.id);
      tried += 1;
    }
  }
  expect(tried).toBeGreaterThan(40);
});

test('a missing link, a switch the other way and a supply that is off are among them', () => {
  const namesOf = (id: string) =>
    tryableFaults(
      network,
      network.elements.find((one) => one.id === id)!,
    ).map(({ name }) => name);
  expect(namesOf('W1')).toContain('missing');
  expect(namesOf('S1')).toContain('open');
  expect(namesOf('E1')).toEqual(
    expect.arrayContaining(['switched off', 'connected the other way round', 'set to half']),
  );
  expect(namesOf('R1')).toEqual(
    expect.arrayContaining(['open', 'shorted', 'exchanged with R2', 'twice its tolerance too high']),
  );
  expect(namesOf('R2')).not.toContain('twice its tolerance too high');
});

test('no fault is listed twice, and a shorted part has none', () => {
  const keys = possibleFaults(network).map((one) => JSON.stringify(one));
  expect(new Set(keys).size).toBe(keys.length);
  expect(possibleFaults({ elements: [{ id: 'R1', kind: 'resistor', from: 'A', to: 'A', resistance: 1 }] })).toEqual([]);
});

test('the four classic wrong voltage readings, each with the check that exposes it', () => {
  const readings = misleadingReadings(sound, endsOf('R3'));
  expect(readings.map(({ name }) => name)).toEqual([
    'both leads on one point',
    'one lead in no circuit',
    'across a part in an open circuit',
    'across the opening itself',
  ]);
  for (const { check, words } of readings) {
    expect(words).toMatch(/V1|R3/);
    expect(check.length).toBeGreaterThan(40);
  }
  const [, , inOpen, opening] = readings;
  const voltageWith = (cause: (typeof readings)[number]['cause']) => {
    if (!('fault' in cause)) throw new Error('no fault of the circuit');
    const { nodes } = solved(withFault({ network, instruments: [] }, cause.fault).network).values;
    const { red, black } = endsOf('R3');
    return nodes[red]! - nodes[black]!;
  };
  expect(Math.abs(voltageWith(inOpen!.cause))).toBeLessThan(1e-12);
  expect(voltageWith(opening!.cause)).toBeGreaterThan(2 * (sound.values.elements.R3!.voltage ?? 0));
});

test('across a whole loop in series the opening has the whole supply', () => {
  const loop = solved(read('E1 12V: R1 1k + R2 2k'));
  const reading = misleadingReadings(loop, across('B', '0')).at(-1)!;
  expect(reading.name).toBe('across the opening itself');
  expect(reading.words).toContain('12\u00a0V');
});

test('where no single part is under the meter only the meter’s own faults are offered', () => {
  expect(misleadingReadings(sound, across('A', 'C'))).toHaveLength(2);
});
