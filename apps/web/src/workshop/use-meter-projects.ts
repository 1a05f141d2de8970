import { meterProjectOf, type Design } from '@usual-drag/core/workshop';
import { newProjectId } from '../documents/document-kinds.ts';
import { useDocumentList, useDocumentState, useListSaveWords } from '../documents/use-document-list.ts';

/** The meters being designed, and what can be done to the one that is open. */
export function useMeterProjects(openId: string | undefined) {
  const { list, error, save, add, undo, redo } = useDocumentList('meter-projects');
  const projects = list?.map(({ document }) => document) ?? null;
  const project = projects?.find(({ id }) => id === openId) ?? projects?.find(({ retired }) => !retired) ?? null;
  const state = useDocumentState('meter-projects', project?.id);
  const words = useListSaveWords('meter-projects');
  const can = (steps: readonly unknown[] | undefined, act: (id: string) => void) =>
    project && steps && steps.length > 0 ? (): void => act(project.id) : undefined;
  return {
    projects,
    project,
    error,
    words,
    save: save,
    /** Nothing if there is nothing to take back, or to do again. */
    undo: can(state?.past, undo),
    redo: can(state?.future, redo),
    /** Creates a project with a design, and returns its id. */
    begin: (design: Design): string => {
      const made = meterProjectOf(newProjectId(), design);
      add(made);
      return made.id;
    },
  };
}

/** Initial design of a new meter. */
export const newDesign: Design = {
  format: 'usual-drag/design',
  version: 1,
  title: 'New meter',
  target: 'voltmeter',
  movement: { fullScaleCurrent: 1e-4, resistance: 1000 },
  scheme: 'string',
  ranges: [10],
};
