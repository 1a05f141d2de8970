import type { Job } from '@usual-drag/core/job';
import { kitNotesOf, type OrderSignature } from '@usual-drag/core/report';
import { listQuery } from '../api/lists.ts';
import { queries } from '../api/queries.ts';
import { useDisplay } from '../bench/canvas/display.ts';
import { fetchFaces } from '../drawing/faces.ts';
import { fileStem, saveText } from '../ui/save-file.ts';
import { startExplanations } from '../workers/diagnosis.ts';

/** Newest signature over the order, and the tasks that are ticked off while it is not signed. */
export interface Signing {
  readonly signature: OrderSignature | null;
  readonly restored: readonly string[];
}

/**
 * Saves the report of an order's circuits as one HTML file that needs nothing else.
 *
 * @throws Error with the first fault of a circuit
 */
export async function saveOrderReport(order: string, circuits: readonly Job[], signing: Signing): Promise<void> {
  const [{ makeOrderReport }, { orderReportFile }, faces, kit, explained] = await Promise.all([
    import('@usual-drag/core/report'),
    import('@usual-drag/report/file'),
    fetchFaces(),
    queries.fetchQuery(listQuery('instruments')),
    Promise.all(circuits.map(async (job) => (job.readings?.length ? startExplanations(job).result : null))),
  ]);
  const made = makeOrderReport(circuits, {
    ...signing,
    kit: kitNotesOf(kit.map(({ document }) => document)),
    explanations: explained.map((one) => (one?.ok ? one.value : null)),
  });
  if (!made.ok) throw new Error(made.fault.message);
  const { resistor } = useDisplay.getState();
  saveText(orderReportFile(made.value, resistor, faces), `${fileStem(order)}.report.html`, 'text/html');
}
