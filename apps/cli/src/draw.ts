import { solveUnloaded } from '@usual-drag/core/loading';
import { drawRails, drawingMarks, svgText, type ResistorSymbol } from '@usual-drag/core/drawing';
import { networkMeant } from '@usual-drag/core/job';
import { onJob, type Output } from './output.ts';

export interface DrawOptions {
  /** Rails at their potentials rather than evenly spaced. */
  readonly toScale: boolean;
  readonly resistor: ResistorSymbol;
}

/** The drawing of one job file's network as the text of an SVG file, or its first fault. */
export const drawFile = (text: string, { toScale, resistor }: DrawOptions): Output & { readonly svg?: string } =>
  onJob(text, (job) => {
    const { network, title } = job;
    const unloaded = solveUnloaded(networkMeant(job));
    const truth = unloaded.ok ? unloaded.value.values : null;
    const drawing = drawRails({ network, truth, spacing: toScale ? 'scale' : 'even', height: 480, width: 760 });
    const svg = svgText(drawing, drawingMarks(drawing, network, { resistor }), title ?? 'Network');
    return { output: null, solved: true, svg };
  });
