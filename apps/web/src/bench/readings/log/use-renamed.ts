import type { Reading } from '@usual-drag/core/readings';
import { readingOrigin } from '@usual-drag/core/job';
import { useEffect } from 'react';
import { toast } from '../../../ui/toast.ts';
import { useReadingEntry } from '../../model/reading-entry.ts';

/** Says so where the last reading has got another number: another device had used it first. */
export function useRenamed(readings: readonly Reading[]): void {
  const last = useReadingEntry((state) => state.last);
  const now = last && readings.findLast((one) => readingOrigin(one) === last.origin);
  useEffect(() => {
    if (!last || !now || now.id === last.id) return;
    toast(`${last.id} is now ${now.id}: another device already used ${last.id}.`);
    useReadingEntry.setState({ last: { ...last, id: now.id } });
  }, [last, now]);
}
