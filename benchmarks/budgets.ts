import { solveUnloaded } from '@usual-drag/core/loading';
import { compareReadings } from '@usual-drag/core/readings';
import { duration, line, secondsOf } from './measure.ts';
import { mesh } from './networks.ts';
import { digital, needle, readAll, seeded } from './sample-readings.ts';

/** The budgets of 40 readings in a network of about 40 parts with a tolerance. */
export function benchBudgets(): void {
  const bare = mesh(21);
  const network = {
    ...bare,
    elements: bare.elements.map((part) => (part.kind === 'resistor' ? { ...part, tolerance: 0.05 } : part)),
  };
  const instruments = [digital, needle];
  const readings = readAll(network, network, instruments, seeded(20_261_130)).slice(0, 40);
  const time = secondsOf(() => compareReadings({ network, instruments, readings }, { corrected: 'budget' }), 0.5);
  const solve = secondsOf(() => solveUnloaded(network));
  console.log('\nUncertainty budgets');
  line(
    `  ${readings.length} readings, ${network.elements.length} parts (${duration(time)})`,
    `${(time / solve).toFixed(0)} × solving it once   ${(time / 0.05).toFixed(2)} of 50 ms`,
  );
}
