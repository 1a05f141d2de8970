import { useEffect } from 'react';
import { create } from 'zustand';

/** Something that can be done or gone to from here. */
export interface Command {
  readonly group: 'Pages' | 'Steps' | 'Views' | 'Actions' | 'Selection';
  readonly text: string;
  /** The keys that do it, as they are told: `Ctrl Z`, `G J`. */
  readonly keys?: string;
  readonly run: () => void;
}

const useLists = create<Readonly<Record<string, readonly Command[]>>>()(() => ({}));

/** Offers commands as long as the component that calls it is on the screen. */
export function useCommands(source: string, commands: readonly Command[]): void {
  useEffect(() => {
    useLists.setState({ [source]: commands });
    return () => useLists.setState({ [source]: [] });
  }, [source, commands]);
}

/** Every command that is offered now, in the order of their groups. */
export function useAllCommands(): readonly Command[] {
  const lists = useLists();
  return Object.values(lists)
    .flat()
    .sort((a, b) => groups.indexOf(a.group) - groups.indexOf(b.group));
}

export const groups: readonly Command['group'][] = ['Pages', 'Steps', 'Views', 'Actions', 'Selection'];
