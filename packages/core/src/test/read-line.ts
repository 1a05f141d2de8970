import { parseLine, type Network } from '../network/index.ts';

/** The network of a line that a test is sure of. */
export function read(line: string, known?: Network): Network {
  const result = parseLine(line, known);
  if (!result.ok) throw new Error(`${result.fault.message} at ${result.fault.at}`);
  return result.value;
}
