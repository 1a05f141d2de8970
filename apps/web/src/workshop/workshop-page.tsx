import { designOfSide, type MeterProject } from '@usual-drag/core/workshop';
import clsx from 'clsx';
import { Archive, Download, FileUp, Plus, History, Redo2, Undo2 } from 'lucide-react';
import { useRef, type ComponentType } from 'react';
import { Link, NavLink, useNavigate, useParams } from 'react-router';
import { useUndo } from '../ui/use-undo.ts';
import { toast } from '../ui/toast.ts';
import { deleteForGood } from '../api/documents.ts';
import { queries } from '../api/queries.ts';
import { DeleteForGood } from '../documents/delete-for-good.tsx';
import { closeDocument } from '../documents/documents.ts';
import { Button } from '../ui/button.tsx';
import { FileInput } from '../ui/file-input.tsx';
import { readFileAs } from '../workers/file-check.ts';
import { Note } from '../ui/note.tsx';
import { offer } from '../ui/offer.ts';
import { Panel } from '../ui/panel.tsx';
import { saveText } from '../ui/save-file.ts';
import { MeterProjectForm } from './form/meter-project-form.tsx';
import { PutInKit } from './put-in-kit.tsx';
import { BuildSheet } from './sheets/build-sheet.tsx';
import { MeterSheet } from './sheets/meter-sheet.tsx';
import { PartsSheet } from './sheets/parts-sheet.tsx';
import type { SheetProps } from './sheets/sheet-props.ts';
import { TemperatureSheet } from './sheets/temperature-sheet.tsx';
import { UseSheet } from './sheets/use-sheet.tsx';
import { newDesign, useMeterProjects } from './use-meter-projects.ts';
import { useWorked } from './use-worked.ts';

const sheets: readonly { readonly name: string; readonly text: string; readonly view: ComponentType<SheetProps> }[] = [
  { name: 'meter', text: 'Meter', view: MeterSheet },
  { name: 'parts', text: 'Parts and errors', view: PartsSheet },
  { name: 'stress', text: 'Temperature and faults', view: TemperatureSheet },
  { name: 'in-use', text: 'In use', view: UseSheet },
  { name: 'build', text: 'Build and scale', view: BuildSheet },
];

/** From a bare movement to a finished meter: ranges wanted in, resistors that can be bought out. */
export function WorkshopPage() {
  const { projectId, sheet } = useParams();
  const navigate = useNavigate();
  const { projects, project, begin, save, undo, redo, error, words } = useMeterProjects(projectId);
  const open = (id: string): void => void navigate(`/workshop/${id}`);
  useUndo('workshop', undo, redo);
  if (!projects)
    return (
      <p className="p-6 text-soft" role="status">
        {error ? `${error.message} It is fetched again when you return.` : 'Fetching the meter projects …'}
      </p>
    );
  const remove = (id: string): void =>
    void deleteForGood('meter-projects', id)
      .then(() => {
        closeDocument('meter-projects', id);
        void navigate('/workshop');
      })
      .catch((fault: Error) => toast.error(fault.message))
      .finally(() => void queries.invalidateQueries({ queryKey: ['meter-projects'] }));
  const archive = (of: MeterProject): void => {
    save({ ...of, retired: true });
    void navigate('/workshop');
    offer(`“${of.title ?? 'Untitled'}” archived.`, 'Undo', () => (save(of), open(of.id)));
  };
  return (
    <div className="flex h-full min-h-0 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden print:block">
      <aside
        aria-label="Design"
        className="relative flex shrink-0 flex-col gap-4 overflow-y-auto border-line p-4 lg:w-[25rem] lg:border-r print:hidden"
      >
        <div className="flex flex-wrap items-center">
          <h1 className="text-[24px] font-bold">Workshop</h1>
          <span role="status" className="min-w-0 grow basis-0 truncate px-2 text-[14px] text-soft">
            {words}
          </span>
          <Button tone="quiet" className="px-2" aria-label="Undo" disabled={!undo} onClick={undo}>
            <Undo2 aria-hidden size={17} />
          </Button>
          <Button tone="quiet" className="px-2" aria-label="Redo" disabled={!redo} onClick={redo}>
            <Redo2 aria-hidden size={17} />
          </Button>
          {project && (
            <Link
              to={`/history/meter-projects/${project.id}`}
              aria-label="History"
              title="History"
              className="inline-flex min-h-9 items-center rounded-lg px-2 hover:bg-sunk"
            >
              <History aria-hidden size={17} />
            </Link>
          )}
          <Files project={project} onTake={(design) => open(begin(design))} />
          {project && !project.retired && (
            <Button
              tone="quiet"
              className="px-2"
              aria-label="Archive this meter project"
              onClick={() => archive(project)}
            >
              <Archive aria-hidden size={17} />
            </Button>
          )}
        </div>
        <ProjectList projects={projects} open={project} onOpen={open} onBegin={() => open(begin(newDesign))} />
        {project?.retired && (
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => save({ ...project, retired: false })}>Restore</Button>
            <DeleteForGood name={project.title ?? 'Untitled'} onDelete={() => remove(project.id)} />
          </div>
        )}
        {project && <MeterProjectForm key={project.id} project={project} onChange={save} />}
      </aside>
      <main className="flex min-h-0 min-w-0 grow flex-col bg-sheet">
        {project ? (
          <OpenProject key={project.id} project={project} sheet={sheet ?? 'meter'} onChange={save} />
        ) : (
          <p className="p-6 text-soft">No meter project yet. Begin one, or open a design file.</p>
        )}
      </main>
    </div>
  );
}

/** Sheets of one meter project, designed for its present state. */
function OpenProject({
  project,
  sheet,
  onChange,
}: {
  readonly project: MeterProject;
  readonly sheet: string;
  readonly onChange: (project: MeterProject) => void;
}) {
  const { worked, busy, progress } = useWorked(project);
  const onEdit: SheetProps['onEdit'] = (edit) => onChange(edit(project));
  const { view: View } = sheets.find(({ name }) => name === sheet) ?? sheets[0]!;
  const about = { 'aria-busy': busy } as const;
  return (
    <>
      <div className="flex flex-wrap items-center gap-3 border-b border-line px-5 pt-2 print:border-0">
        <h2 className="grow text-[20px] font-bold">{project.title ?? 'Untitled'}</h2>
        <div className="print:hidden">
          {worked?.sides && (
            <PutInKit
              project={worked.project}
              sides={worked.sides}
              isFormer={worked.project !== project}
              onEdit={onEdit}
            />
          )}
        </div>
        <nav aria-label="Sheets" className="-mb-px flex w-full flex-wrap print:hidden">
          {sheets.map(({ name, text }) => (
            <NavLink
              key={name}
              to={`/workshop/${project.id}/${name}`}
              className={clsx(
                'border-b-[3px] px-3 py-1.5 text-[16px]',
                (sheets.find((one) => one.name === sheet) ?? sheets[0]!).name === name
                  ? 'border-b-(--ochre-line) font-bold'
                  : 'border-b-transparent hover:bg-sunk',
              )}
            >
              {text}
            </NavLink>
          ))}
        </nav>
      </div>
      <div className="relative min-h-0 grow overflow-y-auto p-5" {...about}>
        {worked?.fault && <Note kind="limit">{worked.fault}</Note>}
        {worked?.sides && (
          <Panel key={sheet} name="This sheet">
            <View project={worked.project} sides={worked.sides} onEdit={onEdit} />
          </Panel>
        )}
        {busy && !worked?.sides && (
          <p className="text-soft" role="status">
            Choosing the parts{progress ? `: ${progress.tried.toLocaleString('en')} tried` : ''} …
          </p>
        )}
      </div>
    </>
  );
}

/** The meters being designed to choose from, and the archived ones. */
function ProjectList({
  projects,
  open,
  onOpen,
  onBegin,
}: {
  readonly projects: readonly MeterProject[];
  readonly open: MeterProject | null;
  readonly onOpen: (id: string) => void;
  readonly onBegin: () => void;
}) {
  const button = (project: MeterProject) => (
    <button
      key={project.id}
      type="button"
      aria-pressed={project === open}
      onClick={() => onOpen(project.id)}
      className={clsx(
        'min-h-9 rounded-lg border bg-sheet px-3 text-left',
        project === open ? 'border-2 border-ink font-bold' : 'border-line hover:border-soft',
        project.retired && 'text-soft',
      )}
    >
      {project.title ?? 'Untitled'}
    </button>
  );
  const away = projects.filter(({ retired }) => retired);
  return (
    <div className="flex flex-col gap-2">
      <div role="group" aria-label="Meter projects" className="flex flex-wrap gap-2">
        {projects.filter(({ retired }) => !retired).map(button)}
        <Button tone="quiet" onClick={onBegin}>
          <Plus aria-hidden size={16} /> Design
        </Button>
      </div>
      {away.length > 0 && (
        <details>
          <summary className="text-soft">Archived</summary>
          <div className="mt-1.5 flex flex-wrap gap-2">{away.map(button)}</div>
        </details>
      )}
    </div>
  );
}

/** Design files in and out: one for each side of the meter. */
function Files({
  project,
  onTake,
}: {
  readonly project: MeterProject | null;
  readonly onTake: (design: Parameters<ReturnType<typeof useMeterProjects>['begin']>[0]) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File): Promise<void> => {
    const read = await readFileAs('design', file);
    if (!read.ok) return void toast.error(`${file.name}: ${read.fault[0]!.message}`, { duration: 15_000 });
    onTake(read.value);
  };
  const saveDesigns = (): void => {
    for (const side of project?.sides ?? []) {
      const design = designOfSide(project!, side);
      if (!design.ok) return void toast.error(design.fault.message);
      const name = project!.sides.length > 1 ? `meter-${side.target}` : 'meter';
      saveText(`${JSON.stringify(design.value, null, 2)}\n`, `${name}.design.json`, 'application/json');
    }
  };
  return (
    <>
      {project && (
        <Button tone="quiet" className="px-2" aria-label="Save as a design file" onClick={saveDesigns}>
          <Download aria-hidden size={17} />
        </Button>
      )}
      <Button tone="quiet" className="px-2" aria-label="Open a design file" onClick={() => input.current?.click()}>
        <FileUp aria-hidden size={17} />
      </Button>
      <FileInput
        ref={input}
        label="Design file to open"
        accept=".json,application/json"
        onTake={(file) => void take(file).catch((fault: Error) => toast.error(fault.message))}
      />
    </>
  );
}
