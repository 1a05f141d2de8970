import type { Zoom } from '../../drawing/zoom.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { BoardCanvas } from './board-canvas.tsx';

/** The strip board while it is built. */
export function BuildBoard({ view, zoom }: { readonly view: BenchView; readonly zoom: Zoom }) {
  return <BoardCanvas network={view.network} zoom={zoom} editable />;
}
