import { useNavigate } from 'react-router';
import { useBench } from '../../model/bench-store.ts';
import { useReadingEntry } from '../../model/reading-entry.ts';

/** Router state of the diagnosis: id of the reading to select. */
export interface DiagnosisStart {
  readonly reading?: string;
}

/** Returns a function that opens the diagnosis at a reading. */
export function useExplain(): (reading: string) => void {
  const jobId = useBench((state) => state.jobId) ?? '';
  const navigate = useNavigate();
  return (reading) => {
    useReadingEntry.setState({ large: false });
    void navigate(`/bench/${jobId}/readings/diagnosis`, { state: { reading } satisfies DiagnosisStart });
  };
}
