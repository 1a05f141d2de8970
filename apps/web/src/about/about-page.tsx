import type { AboutAnswer } from '@usual-drag/contract';
import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { aboutQuery, licencesAddress, supportReportAddress } from '../api/about.ts';
import { megabytes, whenOnRecord } from '../ui/words.ts';
import { ServerWarnings } from './server-warnings.tsx';

/** Version, data folder and copies of this installation, for its operator. */
export function AboutPage() {
  const { data, error } = useQuery({ ...aboutQuery, staleTime: 0 });
  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-3xl flex-col gap-5 px-4 py-4 sm:px-6">
        <h1 className="text-[26px] font-bold">About Usual Drag</h1>
        {error && <p role="alert">{error.message}</p>}
        {data && <Installation about={data} />}
        {/* Drawn with the rest, so that its controls do not move. */}
        {(data ?? error) && <HelpAndLicences />}
      </div>
    </main>
  );
}

function HelpAndLicences() {
  return (
    <section aria-label="Help and licences" className="flex flex-col items-start gap-3">
      <h2 className="text-[19px] font-bold">Help and licences</h2>
      <p>
        <Link to="/help/running" className="inline-block min-h-6 underline">
          Running Usual Drag
        </Link>{' '}
        describes installation, copies, upgrades and moving to another computer.{' '}
        <a href={licencesAddress} target="_blank" className="inline-block min-h-6 underline">
          Licences
        </a>{' '}
        of all included packages.
      </p>
      <a
        href={supportReportAddress}
        download
        className="inline-flex min-h-9 items-center gap-2 rounded-lg border border-line bg-sheet px-3 hover:border-soft pointer-coarse:min-h-11"
      >
        <Download aria-hidden size={16} /> Save a report for support
      </a>
      <p className="text-[14px] text-soft">
        The report contains the values on this page, the number of documents and the last lines of the log. It does not
        contain any job. It is a text file: read it before you send it.
      </p>
    </section>
  );
}

function Installation({ about }: { readonly about: AboutAnswer }) {
  const { version, schema, runsOn, startedAt, data, warnings, upgrade } = about;
  return (
    <>
      <ServerWarnings warnings={warnings} />
      {upgrade !== null && <p className="rounded-lg bg-sunk px-3 py-2 break-words">{upgrade}</p>}
      <dl className="grid gap-x-6 gap-y-2 sm:grid-cols-[auto_1fr]">
        <Line name="Version">
          {version}, schema {schema}
        </Line>
        <Line name="Runs on">
          {runsOn.engine}, Node {runsOn.node}, {runsOn.system}
        </Line>
        <Line name="Running since">{whenOnRecord(startedAt)}</Line>
        <Line name={data.server === null ? 'Data folder' : 'Folder of the log'}>
          <span className="break-all select-all">{data.folder}</span>
        </Line>
        {data.server !== null && (
          <Line name="Database">
            <span className="break-all select-all">{data.server}</span>, {megabytes(data.databaseBytes)}
          </Line>
        )}
        {data.server === null && (
          <Line name="Size">
            {megabytes(data.databaseBytes)}, with copies {megabytes(data.folderBytes)}
          </Line>
        )}
        {data.freeBytes !== null && <Line name="Free on the disk">{megabytes(data.freeBytes)}</Line>}
        {data.server === null && <Copies about={about} />}
      </dl>
    </>
  );
}

function Copies({ about: { lastCopy, scheduledCopies } }: { readonly about: AboutAnswer }) {
  return (
    <>
      <Line name="Last copy">
        {lastCopy ? `${whenOnRecord(lastCopy.at)}, ${megabytes(lastCopy.bytes)}` : 'none yet'}
      </Line>
      <Line name="Copies on schedule">
        {scheduledCopies ? (
          <>
            every {scheduledCopies.everyHours} h in <span className="break-all">{scheduledCopies.folder}</span>;{' '}
            {scheduledCopies.lastAt === null ? 'none yet' : `the last ${whenOnRecord(scheduledCopies.lastAt)}`}
          </>
        ) : (
          'none: copies are made at each start, on the same disk'
        )}
      </Line>
    </>
  );
}

function Line({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <>
      <dt className="font-bold">{name}</dt>
      <dd className="min-w-0">{children}</dd>
    </>
  );
}
