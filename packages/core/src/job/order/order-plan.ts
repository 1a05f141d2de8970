import { writeLine } from '../../network/index.ts';
import { readingsAt, type PlanStep, type ReadStep } from '../../plan/index.ts';
import { ok, type Result } from '../../result.ts';
import { planJob } from '../job-questions.ts';
import type { Job, JobFault } from '../job.ts';

/** A step of an order's plan. */
export interface OrderStep {
  /** Index of the circuit, from 0. */
  readonly circuit: number;
  readonly step: PlanStep;
  /** Whether a reading was taken; false for other steps. */
  readonly isRead: boolean;
}

/** A circuit of an order's plan: built, read, and taken apart. */
interface OrderCircuit {
  readonly circuit: number;
  /** Its arrangement in the line notation. */
  readonly line: string;
  readonly steps: readonly OrderStep[];
}

/** The plan of an order: the parts are measured once, the supply is set once, then it goes circuit by circuit. */
export interface OrderPlan {
  readonly parts: readonly OrderStep[];
  readonly circuits: readonly OrderCircuit[];
}

/**
 * Combines the plans of several circuits of the same parts.
 *
 * A part is identified by the label on its body, or its name if it has none. Its resistance is measured in the first plan that
 * contains it, and counts as read if any circuit has a reading of it. A supply is set again only if its setting changes.
 *
 * @param circuits  in their sequence
 * @returns the first fault of a circuit that cannot be planned
 */
export function planOrder(circuits: readonly Job[]): Result<OrderPlan, JobFault> {
  const parts = new Map<string, OrderStep>();
  const set = new Map<string, string>();
  const planned: OrderCircuit[] = [];
  for (const [circuit, job] of circuits.entries()) {
    const plan = planJob(job);
    if (!plan.ok) return plan;
    const steps: OrderStep[] = [];
    for (const step of plan.value.steps) {
      if (isResistance(step)) {
        const body = bodyOf(job, step.element);
        const isRead = (parts.get(body)?.isRead ?? false) || isTaken(job, step);
        parts.set(body, { ...(parts.get(body) ?? { circuit, step }), isRead });
      } else if (step.do === 'supply') {
        const setting = `${step.set} ${step.currentLimit}`;
        if (set.get(step.element) !== setting) steps.push({ circuit, step, isRead: false });
        set.set(step.element, setting);
      } else steps.push({ circuit, step, isRead: step.do === 'read' && isTaken(job, step) });
    }
    planned.push({ circuit, line: writeLine(job.network, { brief: true }), steps });
  }
  return ok({ parts: [...parts.values()], circuits: planned });
}

type ResistanceStep = Extract<ReadStep, { readonly quantity: 'resistance' }>;

const isResistance = (step: PlanStep): step is ResistanceStep => step.do === 'read' && step.quantity === 'resistance';

const isTaken = (job: Job, step: ReadStep): boolean => readingsAt(job.readings ?? [], step).length > 0;

function bodyOf({ network }: Job, id: string): string {
  const part = network.elements.find((element) => element.id === id);
  return part?.kind === 'resistor' ? (part.bodyLabel ?? id) : id;
}
