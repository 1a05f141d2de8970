import { useQuery } from '@tanstack/react-query';
import { aboutQuery } from '../api/about.ts';
import { HelpLink } from '../help/help-link.tsx';
import { FileBackup } from './file-backup.tsx';
import { Section } from './section.tsx';

/** Backs up everything to one file, and restores a backup or a copy. */
export function BackupPage() {
  const { data: about, error } = useQuery(aboutQuery);
  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-3xl flex-col gap-6 px-4 py-4 sm:px-6">
        <h1 className="text-[26px] font-bold">Backup</h1>
        {error && <p role="alert">{error.message}</p>}
        {about &&
          (about.data.server === null ? <FileBackup about={about} /> : <ServerBackup place={about.data.server} />)}
        {/* Drawn together, so that none moves the controls of the others. */}
        {about && <WhichFile hasFile={about.data.server === null} />}
      </div>
    </main>
  );
}

/** Backup of a database server: with its own tools. */
function ServerBackup({ place }: { readonly place: string }) {
  return (
    <Section title="Back up">
      <p>
        The data are in the PostgreSQL database <b className="break-all select-all">{place}</b>. Its own tools back it
        up and restore it: <code>pg_dump</code> and <code>pg_restore</code>.{' '}
        <HelpLink to="running#postgresql" about="the backup of a PostgreSQL database" />
      </p>
    </Section>
  );
}

/** Purpose of each kind of file. */
function WhichFile({ hasFile }: { readonly hasFile: boolean }) {
  return (
    <Section title="Kinds of files">
      <dl className="grid gap-x-4 gap-y-2 sm:grid-cols-[auto_1fr]">
        <dt className="font-bold">Job file</dt>
        <dd>
          One job, to give to somebody. Importing it adds a job. <i>Export</i> on the job’s card.
        </dd>
        <dt className="font-bold">Archive of jobs</dt>
        <dd>
          All jobs as files, to read elsewhere or to add to another installation, without kit, signatures and history.{' '}
          <i>Import, export</i> on the Jobs page.
        </dd>
        {hasFile && (
          <>
            <dt className="font-bold">Backup</dt>
            <dd>All data, to return to later or to move to another computer. Restoring it replaces the data there.</dd>
          </>
        )}
      </dl>
    </Section>
  );
}
