import type { DamagedDocument } from '@usual-drag/contract';
import { useQuery } from '@tanstack/react-query';
import { damagedAddress, damagedQuery } from '../api/documents.ts';
import { HelpLink } from '../help/help-link.tsx';
import { Note } from '../ui/note.tsx';

const nouns = {
  jobs: 'A job',
  instruments: 'An instrument',
  'meter-projects': 'A meter project',
  signatures: 'A signature',
} as const satisfies Record<DamagedDocument['kind'], string>;

/** Documents of the database that cannot be read: their names, and their bytes to download. */
export function DamagedDocuments() {
  const { data: damaged = [] } = useQuery({ ...damagedQuery, staleTime: 0 });
  return damaged.map((one) => (
    <Note key={`${one.kind}/${one.id}`} kind="limit">
      {nouns[one.kind]} is damaged in the database and was set aside: {one.id}. {one.message} Restore it from a backup;
      its{' '}
      <a className="underline" href={damagedAddress(one)} download>
        {one.bytes} bytes
      </a>{' '}
      are kept. <HelpLink to="running#something-is-damaged" about="damaged data" />
    </Note>
  ));
}
