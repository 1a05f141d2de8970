import { serverAddress } from '../api/base-path.ts';
import { History, Moon, Redo2, Sun, Undo2 } from 'lucide-react';
import clsx from 'clsx';
import { Suspense } from 'react';
import { Link, NavLink, Outlet, useMatch } from 'react-router';
import { HeadButton } from '../bench/head/head-button.tsx';
import { redo, undo, useBench } from '../bench/model/bench-store.ts';
import { documentKey, documentState, useDocuments } from '../documents/documents.ts';
import { isTrouble, saveWords } from '../documents/save-words.ts';
import { isUnkept } from '../documents/saving.ts';
import { fetchedLater, useFetchedPages } from '../ui/fetched-later.ts';
import { ValueField } from '../ui/value-field.tsx';
import { CommandKeys } from './command-keys.tsx';
import { BenchSign, CorrectSign, JobsSign, KitSign, LearnSign, PracticeSign, WorkshopSign } from './signs.tsx';
import { currentTheme, useTheme } from '../ui/theme.ts';

const ConflictQuestion = fetchedLater(
  async () => (await import('../documents/conflict-question.tsx')).ConflictQuestion,
);
const DevicesLink = fetchedLater(async () => (await import('./devices-link.tsx')).DevicesLink);
const HelpForPage = fetchedLater(async () => (await import('./help-for-page.tsx')).HelpForPage);
const SignedOut = fetchedLater(async () => (await import('./signed-out.tsx')).SignedOut);
const Toaster = fetchedLater(async () => (await import('../ui/toaster.tsx')).Toaster);

/** Frame of every page: the open page with its state, and the navigation. */
export function Shell() {
  const { chosen, choose } = useTheme();
  const theme = currentTheme(chosen);
  const jobId = useBench((state) => state.jobId);
  const asked = useMatch('/bench/:jobId/*')?.params.jobId;
  // Not before the job is open: a typed title would be lost.
  const isOpen = useDocuments(({ open }) => jobId !== null && documentState(open, 'jobs', jobId) !== undefined);
  const openJob = isOpen && asked === jobId ? jobId : null;
  // The job that is being opened has its place among the pages before it is there.
  const onBench = asked ?? jobId;
  const isFetching = useFetchedPages(({ fetching }) => fetching > 0);
  return (
    <div className="flex h-full flex-col">
      <header className="print:hidden flex h-12 shrink-0 items-center gap-2 bg-bar px-2 text-onbar sm:gap-4 sm:px-4">
        <img src={serverAddress('mark.svg')} alt="" className="size-8" />
        <span className={clsx('text-[18px] font-bold whitespace-nowrap', openJob && 'max-lg:sr-only')}>Usual Drag</span>
        {openJob && <OpenJob jobId={openJob} />}
        <span role="status">{isFetching && 'Fetching the page …'}</span>
        <div className="ml-auto flex shrink-0 items-center sm:gap-1">
          {openJob && <UndoButtons jobId={openJob} />}
          <Suspense fallback={<span className="size-9" />}>
            <DevicesLink />
          </Suspense>
          {/* On a phone the title of the open job takes this place; other pages have the button. */}
          <span className={clsx(openJob && 'max-sm:hidden')}>
            <BarButton
              label={theme === 'dark' ? 'Light theme' : 'Dark theme'}
              onClick={() => choose(theme === 'dark' ? 'light' : 'dark')}
            >
              {theme === 'dark' ? <Sun aria-hidden size={18} /> : <Moon aria-hidden size={18} />}
            </BarButton>
          </span>
          <Suspense fallback={<span className="size-9" />}>
            <HelpForPage />
          </Suspense>
        </div>
      </header>
      <CommandKeys />
      <Suspense>
        <SignedOut />
        <ConflictQuestion />
      </Suspense>
      <div className="flex min-h-0 grow flex-col-reverse sm:flex-row">
        <nav
          aria-label="Pages"
          className="print:hidden flex shrink-0 justify-around gap-1 border-line bg-sunk p-1 max-sm:border-t sm:w-18 sm:flex-col sm:justify-start sm:border-r sm:p-1.5"
        >
          <PageLink to="/" name="Jobs" end>
            <JobsSign />
          </PageLink>
          {onBench && (
            <PageLink to={`/bench/${onBench}`} name="Bench">
              <BenchSign />
            </PageLink>
          )}
          <PageLink to="/correct" name="Correct">
            <CorrectSign />
          </PageLink>
          <PageLink to="/workshop" name="Workshop">
            <WorkshopSign />
          </PageLink>
          <PageLink to="/kit" name="Kit">
            <KitSign />
          </PageLink>
          <PageLink to="/practice" name="Practice">
            <PracticeSign />
          </PageLink>
          <PageLink to="/learn" name="Learn">
            <LearnSign />
          </PageLink>
        </nav>
        <div className="min-h-0 min-w-0 grow max-sm:overflow-hidden">
          <Suspense>
            <Outlet />
          </Suspense>
        </div>
      </div>
      <Suspense>
        <Toaster theme={theme} />
      </Suspense>
    </div>
  );
}

function OpenJob({ jobId }: { readonly jobId: string }) {
  const title = useBench((state) => state.document.title ?? 'Untitled');
  const edit = useBench((state) => state.edit);
  const words = useDocuments(({ open }) => {
    const state = documentState(open, 'jobs', jobId);
    return state ? saveWords(state, isUnkept(documentKey('jobs', jobId))) : '';
  });
  const trouble = useDocuments(({ open }) => {
    const state = documentState(open, 'jobs', jobId);
    return state !== undefined && isTrouble(state);
  });
  return (
    <>
      <ValueField
        label="Title of the job"
        shown={title}
        read={(text) => ({ ok: true, value: text.trim() || 'Untitled' })}
        onCommit={(next) => edit((job) => ({ ...job, title: next }))}
        className="min-w-0 shrink grow max-w-64 [&_input]:font-sans [&_input]:text-[17px] [&_input]:focus:bg-bar"
      />
      <HeadButton />
      <p
        role="status"
        data-testid="save"
        className={clsx(
          'truncate text-[14px]',
          // A phone has room for the title, or for what is wrong.
          trouble ? 'font-bold text-[#ffc46b] max-sm:max-w-28' : 'opacity-85 max-sm:sr-only',
        )}
      >
        {words}
      </p>
    </>
  );
}

function UndoButtons({ jobId }: { readonly jobId: string }) {
  const past = useDocuments(({ open }) => documentState(open, 'jobs', jobId)?.past.length ?? 0);
  const future = useDocuments(({ open }) => documentState(open, 'jobs', jobId)?.future.length ?? 0);
  return (
    <>
      <Link
        to={`/history/jobs/${jobId}`}
        aria-label="History"
        title="History"
        className="inline-flex size-9 items-center justify-center rounded-lg hover:bg-white/15 max-sm:hidden"
      >
        <History aria-hidden size={18} />
      </Link>
      <BarButton label="Undo" onClick={undo} disabled={past === 0}>
        <Undo2 aria-hidden size={18} />
      </BarButton>
      <span className="max-sm:hidden">
        <BarButton label="Redo" onClick={redo} disabled={future === 0}>
          <Redo2 aria-hidden size={18} />
        </BarButton>
      </span>
    </>
  );
}

interface BarButtonProps {
  readonly label: string;
  readonly onClick: () => void;
  readonly disabled?: boolean;
  readonly children: React.ReactNode;
}

function BarButton({ label, onClick, disabled = false, children }: BarButtonProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      className="inline-flex size-9 items-center justify-center rounded-lg hover:bg-white/15 disabled:opacity-40"
    >
      {children}
    </button>
  );
}

function PageLink({
  to,
  name,
  end = false,
  children,
}: {
  readonly to: string;
  readonly name: string;
  readonly end?: boolean;
  readonly children: React.ReactNode;
}) {
  return (
    <NavLink
      to={to}
      end={end}
      className={({ isActive }) =>
        clsx(
          'flex min-w-11 flex-col items-center gap-0.5 rounded-lg py-1 text-[13px] sm:py-2 max-sm:text-[12px]',
          isActive ? 'bg-bar text-onbar dark:bg-ink dark:text-ground' : 'text-ink hover:bg-ground',
        )
      }
    >
      {children}
      {name}
    </NavLink>
  );
}
