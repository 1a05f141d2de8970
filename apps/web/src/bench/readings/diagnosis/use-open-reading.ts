import type { Reading } from '@usual-drag/core/readings';
import { useNavigate } from 'react-router';
import { openFree, type FreePlace } from '../../model/reading-entry.ts';

/** Returns a function that opens the entry of readings at the place of a reading. */
export function useOpenReading(jobId: string): (reading: Reading) => void {
  const navigate = useNavigate();
  return (reading) => {
    openFree(jobId, placeOf(reading));
    void navigate(`/bench/${jobId}/readings`);
  };
}

function placeOf(reading: Reading): FreePlace {
  const { instrument, range, alongside } = reading;
  const beside = alongside && { alongside };
  if (reading.quantity === 'resistance') return { quantity: 'resistance', instrument, range, element: reading.element };
  const place =
    reading.quantity === 'dc-voltage'
      ? { quantity: reading.quantity, red: reading.red, black: reading.black }
      : {
          quantity: reading.quantity,
          node: reading.node,
          ends: reading.ends,
          ...(reading.reversed && { reversed: true }),
        };
  return { id: 'next', instrument, range, ...place, ...beside };
}
