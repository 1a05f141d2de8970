import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { create } from 'zustand';
import { alternativesOf } from './key-names.ts';

/** An action or a destination that the open screen offers; one declaration lists it and binds its keys. */
export interface Command {
  readonly group: 'Pages' | 'Steps' | 'Views' | 'Actions' | 'Selection';
  readonly text: string;
  /** Keys that run the command: `mod+z`, `g>j` one after the other, alternatives divided by commas. */
  readonly keys?: string;
  /** Whether the keys also work while a field has the focus; `unless-typing` leaves a field that is being typed in alone. */
  readonly inFields?: 'always' | 'unless-typing';
  /** Whether the browser's own action of the key takes place too. */
  readonly keepsDefault?: boolean;
  /** Whether the command makes sense by its keys alone, and is not in the palette. */
  readonly keysOnly?: boolean;
  /** Whether the command only goes to the screen that offers it; left out there. */
  readonly isElsewhere?: boolean;
  /** @param event  the key, if the command was run by one */
  readonly run: (event?: KeyboardEvent) => void;
}

const useLists = create<Readonly<Record<string, readonly Command[]>>>()(() => ({}));

/** Offers commands and binds their keys as long as the component that calls it is on the screen. */
export function useCommands(source: string, commands: readonly Command[]): void {
  useEffect(() => {
    useLists.setState({ [source]: commands });
    return () => useLists.setState({ [source]: [] });
  }, [source, commands]);
  useKeys(commands.filter(({ keys, inFields }) => keys !== '?' && !inFields));
  useKeys(
    commands.filter(({ inFields }) => inFields),
    { enableOnFormTags: true },
  );
  // A character that is on another key on another keyboard.
  useKeys(
    commands.filter(({ keys }) => keys === '?'),
    { useKey: true },
  );
}

function useKeys(commands: readonly Command[], options: object = {}): void {
  const ofHotkey = (hotkey: string): Command | undefined =>
    commands.find(({ keys }) => alternativesOf(keys).includes(hotkey));
  const isTaken = ({ target }: KeyboardEvent, { inFields }: Command): boolean =>
    inFields === 'unless-typing' && (target as HTMLElement).dataset.typing === 'true';
  useHotkeys(
    commands.flatMap(({ keys }) => alternativesOf(keys)),
    (event, { hotkey }) => {
      const command = ofHotkey(hotkey);
      if (command && !isTaken(event, command)) command.run(event);
    },
    {
      ...options,
      preventDefault: (event, { hotkey }) => {
        const command = ofHotkey(hotkey);
        return command !== undefined && !command.keepsDefault && !isTaken(event, command);
      },
    },
    [commands],
  );
}

/** Undo and redo. */
export const undoCommands = (undo: () => void, redo: () => void): readonly Command[] => [
  { group: 'Actions', text: 'Undo', keys: 'mod+z', run: () => undo() },
  { group: 'Actions', text: 'Redo', keys: 'mod+y, mod+shift+z', run: () => redo() },
];

/** Every command that is offered now, in the order of their groups. */
export function useAllCommands(): readonly Command[] {
  const lists = useLists();
  const all = Object.values(lists).flat();
  const here = new Set(all.filter(({ isElsewhere }) => !isElsewhere).map(({ text }) => text));
  return all
    .filter(({ text, isElsewhere }) => !isElsewhere || !here.has(text))
    .sort((a, b) => groups.indexOf(a.group) - groups.indexOf(b.group));
}

export const groups: readonly Command['group'][] = ['Pages', 'Steps', 'Views', 'Actions', 'Selection'];
