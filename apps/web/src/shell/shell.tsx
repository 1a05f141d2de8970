import { History, Moon, Redo2, Sun, Undo2 } from 'lucide-react';
import clsx from 'clsx';
import type { CSSProperties } from 'react';
import { Link, NavLink, Outlet, useMatch, useNavigation } from 'react-router';
import { Toaster } from 'sonner';
import { redo, undo, useBench } from '../bench/model/bench-store.ts';
import { ConflictQuestion } from '../documents/conflict-question.tsx';
import { documentKey, documentState, useDocuments } from '../documents/documents.ts';
import { isTrouble, saveWords } from '../documents/save-words.ts';
import { isUnkept } from '../documents/saving.ts';
import { ValueField } from '../ui/value-field.tsx';
import { BenchSign, CorrectSign, JobsSign, KitSign, WorkshopSign } from './signs.tsx';
import { currentTheme, useTheme } from './theme.ts';

/** The frame round every page: what is open and how it stands, where else to go. */
export function Shell() {
  const { chosen, choose } = useTheme();
  const theme = currentTheme(chosen);
  const jobId = useBench((state) => state.jobId);
  const asked = useMatch('/bench/:jobId/*')?.params.jobId;
  // Not before the job is open: what is typed into its title would be nobody's.
  const isOpen = useDocuments(({ open }) => jobId !== null && documentState(open, 'jobs', jobId) !== undefined);
  const openJob = isOpen && asked === jobId ? jobId : null;
  const fetching = useNavigation().state === 'loading';
  return (
    <div className="flex h-full flex-col">
      <header className="print:hidden flex h-12 shrink-0 items-center gap-4 bg-bar px-4 text-onbar">
        <img src="/mark.svg" alt="" className="size-8" />
        <span className="text-[18px] font-bold">Usual Drag</span>
        {openJob && <OpenJob jobId={openJob} />}
        <span role="status">{fetching && 'Fetching the page …'}</span>
        <div className="ml-auto flex items-center gap-1">
          {openJob && <UndoButtons jobId={openJob} />}
          <BarButton
            label={theme === 'dark' ? 'Light theme' : 'Dark theme'}
            onClick={() => choose(theme === 'dark' ? 'light' : 'dark')}
          >
            {theme === 'dark' ? <Sun aria-hidden size={18} /> : <Moon aria-hidden size={18} />}
          </BarButton>
        </div>
      </header>
      <ConflictQuestion />
      <div className="flex min-h-0 grow">
        <nav
          aria-label="Places"
          className="print:hidden flex w-18 shrink-0 flex-col gap-1 border-r border-line bg-sunk p-1.5"
        >
          <Place to="/" name="Jobs" end>
            <JobsSign />
          </Place>
          {jobId && (
            <Place to={`/bench/${jobId}`} name="Bench">
              <BenchSign />
            </Place>
          )}
          <Place to="/correct" name="Correct">
            <CorrectSign />
          </Place>
          <Place to="/workshop" name="Workshop">
            <WorkshopSign />
          </Place>
          <Place to="/kit" name="Kit">
            <KitSign />
          </Place>
        </nav>
        <div className="min-h-0 min-w-0 grow">
          <Outlet />
        </div>
      </div>
      <Toaster position="bottom-left" theme={theme} closeButton style={messages} toastOptions={message} />
    </div>
  );
}

const messages = {
  fontFamily: 'inherit',
  '--normal-bg': 'var(--sheet)',
  '--normal-border': 'var(--line)',
  '--normal-text': 'var(--ink)',
} as CSSProperties;
const message = { classNames: { toast: 'text-[15px]!', actionButton: 'h-9! rounded-lg! px-3! text-[15px]!' } };

function OpenJob({ jobId }: { readonly jobId: string }) {
  const title = useBench((state) => state.document.title ?? 'Untitled');
  const edit = useBench((state) => state.edit);
  const words = useDocuments(({ open }) => {
    const state = documentState(open, 'jobs', jobId);
    return state ? saveWords(state, isUnkept(documentKey('jobs', jobId))) : '';
  });
  const trouble = useDocuments(({ open }) =>
    isTrouble(documentState(open, 'jobs', jobId)?.saving ?? { kind: 'saved' }),
  );
  return (
    <>
      <ValueField
        label="Title of the job"
        shown={title}
        read={(text) => ({ ok: true, value: text.trim() || 'Untitled' })}
        onCommit={(next) => edit((job) => ({ ...job, title: next }))}
        className="w-64 [&_input]:font-sans [&_input]:text-[17px] [&_input]:focus:bg-bar"
      />
      <p
        role="status"
        data-testid="save"
        className={clsx('truncate text-[14px]', trouble ? 'font-bold text-[#ffc46b]' : 'opacity-85')}
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
        className="inline-flex size-9 items-center justify-center rounded-lg hover:bg-white/15"
      >
        <History aria-hidden size={18} />
      </Link>
      <BarButton label="Undo" onClick={undo} disabled={past === 0}>
        <Undo2 aria-hidden size={18} />
      </BarButton>
      <BarButton label="Redo" onClick={redo} disabled={future === 0}>
        <Redo2 aria-hidden size={18} />
      </BarButton>
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

function Place({
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
          'flex flex-col items-center gap-0.5 rounded-lg py-2 text-[13px]',
          isActive ? 'bg-bar text-onbar dark:bg-ink dark:text-ground' : 'text-ink hover:bg-ground',
        )
      }
    >
      {children}
      {name}
    </NavLink>
  );
}
