import { documentKinds, type DocumentKind, type HistoryEntry, type KeptSignature } from '@usual-drag/contract';
import { documentChanges } from '@usual-drag/core/job';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { useEffect } from 'react';
import { Link, Navigate, NavLink, useParams } from 'react-router';
import { readHistory, versionQuery } from '../api/documents.ts';
import { jobQuery } from '../api/jobs.ts';
import { listQuery } from '../api/lists.ts';
import { queries } from '../api/queries.ts';
import { signaturesQuery } from '../api/signatures.ts';
import { Button } from '../ui/button.tsx';
import { offer } from '../ui/offer.ts';
import { whenExactly } from '../ui/words.ts';
import { kindOf } from './document-kinds.ts';
import { dispatch, documentState, openDocument, useDocuments } from './documents.ts';
import { saveWords } from './save-words.ts';
import { VersionView } from './version-view.tsx';

const addresses = { jobs: '/bench', instruments: '/kit', 'meter-projects': '/workshop' } as const;

/** The versions of a document: when each was saved and what changed, one opened beside the present, and brought back. */
export function HistoryPage() {
  const { kind: asked = '', id = '', entry } = useParams();
  const kind = documentKinds.find((one) => one === asked);
  if (!kind) return <Navigate to="/" replace />;
  return <History kind={kind} id={id} entry={entry === undefined ? null : Number(entry)} />;
}

interface Props {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly entry: number | null;
}

function History({ kind, id, entry }: Props) {
  const state = useDocuments(({ open }) => documentState(open, kind, id));
  useEffect(() => void openPresent(kind, id), [kind, id]);
  const history = useInfiniteQuery({
    // A new save is a new line.
    queryKey: ['history', kind, id, state?.revision, state?.aside === null],
    queryFn: ({ pageParam }) => readHistory(kind, id, pageParam),
    initialPageParam: null as number | null,
    getNextPageParam: ({ before }) => before,
    meta: { follows: kind === 'jobs' ? `jobs/${id}` : kind },
  });
  const { data: version } = useQuery({ ...versionQuery(kind, id, entry ?? 0), enabled: entry !== null });
  const { data: signatures = [] } = useQuery({ ...signaturesQuery(id), enabled: kind === 'jobs' });
  const name = state ? kindOf[kind].nameOf(state.document as never) : 'Opening …';
  const restore = (): void => {
    if (!version) return;
    dispatch(kind, id, { type: 'edited', document: version.document });
    offer(`The version of ${whenExactly(version.updatedAt)} is restored.`, 'Undo', () =>
      dispatch(kind, id, { type: 'undone' }),
    );
  };
  const entries = history.data?.pages.flatMap((page) => page.entries) ?? [];
  return (
    <div className="flex h-full min-h-0 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <aside
        aria-label="Versions"
        className="relative shrink-0 overflow-y-auto border-line p-4 lg:w-[24rem] lg:border-r"
      >
        <h1 className="text-[24px] font-bold">History</h1>
        <p className="mb-3">
          <Link className="block min-h-6 truncate underline" to={`${addresses[kind]}/${encodeURIComponent(id)}`}>
            {name}
          </Link>
          <span className="block min-h-[1lh] text-[14px] text-soft">{state && saveWords(state)}</span>
        </p>
        {history.error && <p role="alert">{history.error.message}</p>}
        <ol className="flex flex-col gap-1">
          {entries.flatMap((one, at) => [
            ...signatures.filter(isBetween(one, entries[at - 1])).map((signature) => (
              <li key={`signed ${signature.entry}`}>
                <SignatureLine of={signature} jobId={id} />
              </li>
            )),
            <li key={one.entry ?? 'present'}>
              <VersionLine of={one} to={`/history/${kind}/${encodeURIComponent(id)}`} />
            </li>,
          ])}
        </ol>
        {history.hasNextPage && (
          <Button className="mt-2" onClick={() => void history.fetchNextPage()}>
            Show earlier versions
          </Button>
        )}
      </aside>
      <main className="relative min-h-0 min-w-0 grow overflow-y-auto bg-sheet p-5">
        {entry === null || !version || !state ? (
          <p className="text-soft">Choose an earlier version to see it beside the present one.</p>
        ) : (
          <>
            <div className="mb-3 flex flex-wrap items-center gap-3">
              <h2 className="grow text-[20px] font-bold">The version of {whenExactly(version.updatedAt)}</h2>
              <Button tone="strong" onClick={restore}>
                Restore this version
              </Button>
            </div>
            <Differences changes={documentChanges(version.document, state.document)} />
            <VersionView kind={kind} then={version.document} now={state.document} />
          </>
        )}
      </main>
    </div>
  );
}

/** Returns whether a record was signed after a version was saved, and before the next one. */
const isBetween =
  (version: HistoryEntry, next: HistoryEntry | undefined) =>
  ({ at }: KeptSignature): boolean =>
    at >= version.savedAt && (next === undefined || at < next.savedAt);

/** Signer of a record, with the way to it. */
function SignatureLine({ of: { by, at, entry }, jobId }: { readonly of: KeptSignature; readonly jobId: string }) {
  return (
    <Link
      to={`/bench/${encodeURIComponent(jobId)}/report/${entry}`}
      className="block rounded-lg border border-line bg-sunk px-3 py-1.5"
    >
      <span className="font-bold">{whenExactly(at)}</span> · signed by {by}
    </Link>
  );
}

/** When a version was saved, and what changed. */
function VersionLine({
  of: { entry, savedAt, aside, changes },
  to,
}: {
  readonly of: HistoryEntry;
  readonly to: string;
}) {
  return (
    <NavLink
      to={entry === null ? to : `${to}/${entry}`}
      end
      className={({ isActive }) =>
        clsx('block rounded-lg border px-3 py-1.5', isActive ? 'border-2 border-ink bg-sheet' : 'border-line bg-sheet')
      }
    >
      <span className="font-bold">{whenExactly(savedAt)}</span>
      {entry === null && <span className="text-soft"> · the present one</span>}
      {aside && <span className="text-soft"> · not used when two windows had changed it</span>}
      <span className="block text-[14px] text-soft">
        {changes.length > 0 ? changes.join('; ') : aside ? '' : 'First stored version'}
      </span>
    </NavLink>
  );
}

function Differences({ changes }: { readonly changes: readonly string[] }) {
  if (changes.length === 0) return <p className="mb-3 text-soft">Same as the present version.</p>;
  return (
    <div className="mb-3">
      <p className="text-soft">What has changed since then:</p>
      <ul className="list-disc pl-5">
        {changes.map((change) => (
          <li key={change}>{change}</li>
        ))}
      </ul>
    </div>
  );
}

/** Opens the present version where it is not open yet. */
async function openPresent(kind: DocumentKind, id: string): Promise<void> {
  if (kind === 'jobs') return openDocument('jobs', await queries.fetchQuery(jobQuery(id)));
  const stored = (await queries.fetchQuery(listQuery(kind))).find((one) => one.id === id);
  if (stored) openDocument(kind, stored as never);
}
