import { isView, type View } from './true-value-views.ts';
import { useBenchCircuit } from './use-bench-circuit.ts';
import { useBenchRoute } from './use-bench-route.ts';
import { useOpenSetup } from './use-open-setup.ts';
import { useSetupView } from './use-setup-view.ts';

/** State that the drawing and the panel of the open step share: where it is, the circuit, the set-up and its view. */
export function useBenchView() {
  const route = useBenchRoute();
  const circuit = useBenchCircuit(route);
  const setup = useOpenSetup(route, circuit);
  const setupView = useSetupView(route, circuit, setup);
  const view: View = route.inTrueValues && isView(route.setupId) ? route.setupId : 'circuit';
  /** The strip board is shown in place of the drawing. */
  const onBoard = (route.step === 'network' || route.inReadings) && route.setupId === 'board';
  return { ...route, ...circuit, ...setup, ...setupView, view, onBoard };
}

export type BenchView = ReturnType<typeof useBenchView>;
