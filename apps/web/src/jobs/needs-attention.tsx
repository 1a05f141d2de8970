import { useQuery } from '@tanstack/react-query';
import { ServerWarnings } from '../about/server-warnings.tsx';
import { healthQuery } from '../api/about.ts';
import { DamagedDocuments } from './damaged-documents.tsx';

/** Damaged documents and warnings of the server. */
export function NeedsAttention() {
  const { data } = useQuery({ ...healthQuery, staleTime: 0 });
  return (
    <>
      <DamagedDocuments />
      <ServerWarnings warnings={data?.warnings ?? []} />
    </>
  );
}
