import type { Element } from '../network/index.ts';
import type { Job } from './job.ts';
import { newJob } from './edits/job-edits.ts';

/** A circuit to begin a job with: its values are there to be replaced. */
export interface StartingCircuit {
  readonly id: 'divider' | 'bridge' | 'current-loop' | 'lamp-panel' | 'volt-ammeter';
  readonly name: string;
  /** Purpose in a few words. */
  readonly purpose: string;
  readonly elements: readonly Element[];
}

/** Circuits with which a job can begin, the simplest first. */
export const startingCircuits: readonly StartingCircuit[] = [
  {
    id: 'divider',
    name: 'Divider',
    purpose: 'two arms across a supply',
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24, internalResistance: 0.5 },
      resistor('R1', 'A', 'B', 47_000, 'top arm'),
      resistor('R2', 'B', '0', 33_000, 'bottom arm'),
    ],
  },
  {
    id: 'bridge',
    name: 'Bridge',
    purpose: 'four arms and what reads across them',
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10, internalResistance: 0.5 },
      resistor('R1', 'A', 'B', 350),
      resistor('R2', 'B', '0', 350),
      resistor('R3', 'A', 'C', 350),
      resistor('R4', 'C', '0', 350),
      resistor('R5', 'B', 'C', 10_000, 'amplifier input'),
    ],
  },
  {
    id: 'current-loop',
    name: 'Current loop',
    purpose: 'a transmitter, its line and its receiver',
    elements: [
      { id: 'J1', kind: 'current-source', from: 'A', to: '0', current: 0.012, compliance: 20, label: 'transmitter' },
      resistor('R1', 'A', 'B', 15, 'line out'),
      resistor('R2', 'B', 'C', 250, 'receiver'),
      resistor('R3', 'C', '0', 15, 'line back'),
    ],
  },
  {
    id: 'lamp-panel',
    name: 'Lamp panel',
    purpose: 'loads on a battery, switched',
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12, internalResistance: 0.05, label: 'battery' },
      { id: 'S1', kind: 'switch', from: 'A', to: 'B', closed: true },
      { id: 'R1', kind: 'resistor', from: 'B', to: 'C', resistance: 0.2, label: 'cable' },
      { id: 'L1', kind: 'load', from: 'C', to: '0', ratedVoltage: 12, ratedCurrent: 0.3 },
      { id: 'L2', kind: 'load', from: 'C', to: '0', ratedVoltage: 12, ratedCurrent: 0.1 },
    ],
  },
  {
    id: 'volt-ammeter',
    name: 'Volt–ammeter method',
    purpose: 'one resistor, its voltage and current read',
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 6, internalResistance: 0.5, currentLimit: 0.1 },
      { id: 'W1', kind: 'link', from: 'A', to: 'B', label: 'where the ammeter goes' },
      resistor('R1', 'B', '0', 680),
    ],
  },
];

/** A job with a starting circuit as its network. */
export const jobFrom = ({ name, elements }: StartingCircuit): Job => ({ ...newJob(name), network: { elements } });

function resistor(id: string, from: string, to: string, resistance: number, label?: string): Element {
  return { id, kind: 'resistor', from, to, resistance, tolerance: 0.01, ...(label && { label }) };
}
