import type { ServerWarning } from '@usual-drag/contract';
import { useQuery } from '@tanstack/react-query';
import { healthQuery } from '../api/about.ts';
import { HelpLink } from '../help/help-link.tsx';
import { Note } from '../ui/note.tsx';
import { DamagedDocuments } from './damaged-documents.tsx';

/** Place of the guide about each warning. */
const help: Readonly<Record<ServerWarning['about'], string>> = {
  'disk-space': 'running#the-disk-is-nearly-full',
  copies: 'running#copies-are-overdue',
};

/** Damaged documents and warnings of the server, each with a link to the remedy. */
export function NeedsAttention() {
  const { data } = useQuery({ ...healthQuery, staleTime: 0 });
  return (
    <>
      <DamagedDocuments />
      {data?.warnings?.map(({ about, message }) => (
        <Note key={about} kind="limit">
          {message} <HelpLink to={help[about]} about={message} />
        </Note>
      ))}
    </>
  );
}
