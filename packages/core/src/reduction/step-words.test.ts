import { parseLine } from '../network/index.ts';
import { reduceNet } from './reduce.ts';
import { resistanceNet, sourcesOf } from './resistance-net.ts';
import { stepTitle } from './step-words.ts';

function steps(line: string) {
  const network = parseLine(line);
  if (!network.ok) throw new Error(network.fault.message);
  const [source] = sourcesOf(network.value);
  return reduceNet(resistanceNet(network.value, source!)).steps;
}
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

test('steps are told as one would say them', () => {
  expect(steps('E1 1V: R1 10 + R2 20 + R3 30').map(stepTitle)).toEqual(['R1, R2 and R3 in series']);
  expect(steps('E1 1V: R1 10 || R2 20 || R3 30').map(stepTitle)).toEqual(['R1, R2 and R3 in parallel']);
  expect(steps('E1 1V: R1 10; @A R2 5 @X').map(stepTitle)[0]).toBe('R2 carries no current');
  expect(steps('E1 1V: @A R1 1 @B R4 1 || R2 1 @C R5 1; @B R3 1 @C').map(stepTitle)[0]).toBe(
    'Delta R1, R2, R3 into a star',
  );
});

test('three in parallel go by reciprocals, two both ways', () => {
  const [three] = steps('E1 1V: R1 10 || R2 20 || R3 20');
  expect(three!.formulas.map(plain)).toEqual(['1/(1/10 Ω + 1/20 Ω + 1/20 Ω) = 5 Ω']);
  const [two] = steps('E1 1V: R1 10 || R2 40');
  expect(two!.formulas).toHaveLength(2);
});

test('a delta into a star, each arm with the numbers in it', () => {
  const [step] = steps('E1 1V: @A R1 10 @B R4 1 || R2 30 @C R5 1; @B R3 60 @C');
  expect(step!.into.map(({ id }) => id)).toEqual(['RA', 'RB', 'RC']);
  expect(plain(step!.formulas[0]!)).toBe('RA = 10 Ω × 30 Ω / (10 Ω + 30 Ω + 60 Ω) = 3 Ω');
});

test('a star where there is no delta to begin with', () => {
  // Two crossing triangles between the terminals: the five-arm heart of a tangle goes by star and mesh.
  const rules = steps(
    'E1 1V: @A R1 1 @P R2 2 @0; @A R3 3 @Q R4 4 @0; @A R5 5 @S R6 6 @0; @P R7 7 @Q R8 8 @S R9 9 @P; @A R10 10 @T R11 11 @0; @T R12 12 @P; @T R13 13 @Q; @T R14 14 @S',
  ).map((step) => step.rule);
  expect(rules).toContain('star-mesh');
});
