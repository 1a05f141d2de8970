import type { Instrument } from '@usual-drag/core/instrument';
import type { Setup, Unloaded } from '@usual-drag/core/loading';
import { reportSetups } from '@usual-drag/core/report';
import { useMemo } from 'react';
import { FiguresTable } from '../../ui/figures-table.tsx';

interface Props {
  readonly setups: readonly Setup[];
  readonly instruments: readonly Instrument[];
  readonly unloaded: Unloaded;
  /** Id of the open set-up. */
  readonly open: string | undefined;
  readonly onOpen: (id: string) => void;
}

/** All set-ups side by side: meters at the same point are listed one below the other. */
export function SetupComparison({ setups, instruments, unloaded, open, onOpen }: Props) {
  const rows = useMemo(
    () => [...reportSetups(setups, instruments, unloaded)].sort((a, b) => a.place.localeCompare(b.place)),
    [setups, instruments, unloaded],
  );
  return (
    <div
      className="min-h-32 max-sm:bg-sheet sm:max-h-[45%] shrink-0 overflow-auto border-t border-line px-4 py-2"
      tabIndex={0}
      role="region"
      aria-label="Comparison of the set-ups"
    >
      <FiguresTable
        label="Set-ups"
        scrolls
        head={['Set-up', 'Indicated', 'Loading error', 'Corrected, U (k = 2)', 'True']}
        rows={rows.map(({ setup, meter, place, instrument, indicated, truth, share, error, corrected }) => ({
          key: `${setup} ${meter}`,
          strong: setup === open,
          cells: [
            <span key="setup" className="whitespace-nowrap">
              <button type="button" className="min-h-6 underline" onClick={() => onOpen(setup)}>
                {setup}, {meter}
              </button>{' '}
              {place}
              <br />
              <span className="font-normal text-soft">{instrument}</span>
            </span>,
            <span key="indicated" className="text-ochre">
              {indicated}
            </span>,
            share === '' ? error : share,
            corrected,
            truth,
          ],
        }))}
      />
    </div>
  );
}
