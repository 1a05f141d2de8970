import { loadingMap, type MapPoint } from '@usual-drag/core/loading';
import { useMemo, useState } from 'react';
import type { BenchCircuit } from './use-bench-circuit.ts';
import type { BenchRoute } from './use-bench-route.ts';
import type { OpenSetup } from './use-open-setup.ts';

/** Views of Set-ups. */
export const setupViews = [
  { value: 'setup', text: 'Circuit' },
  { value: 'map', text: 'Loading map' },
  { value: 'sums', text: 'Sums' },
  { value: 'tolerance', text: 'Tolerance' },
  { value: 'compare', text: 'Compare' },
] as const;
type SetupView = (typeof setupViews)[number]['value'];

/** Returns the view of Set-ups that is open, and the points of its loading map if it is that one. */
export function useSetupView({ inSetups }: BenchRoute, { unloaded }: BenchCircuit, { meter, range }: OpenSetup) {
  const [setupView, showSetupView] = useState<SetupView>('setup');
  const isMapped = inSetups && setupView === 'map' && range !== undefined;
  const mapPoints = useMemo(
    (): readonly MapPoint[] | null =>
      isMapped && unloaded.ok && meter ? loadingMap(unloaded.value, meter.quantity, range.resistance) : null,
    [isMapped, unloaded, meter, range],
  );
  return { setupView, showSetupView, mapPoints };
}
