import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Check } from 'lucide-react';
import { useMemo, type ReactNode } from 'react';
import { useCommands, type Command } from './commands.ts';

const item =
  'flex min-h-9 w-full items-center gap-2 rounded-md px-3 text-left data-focus:bg-sunk pointer-coarse:min-h-11';
const plain =
  'inline-flex min-h-9 items-center gap-2 rounded-lg border border-line bg-sheet px-3 text-[15px] hover:border-soft pointer-coarse:min-h-11';

/** An entry of a menu: something to do, or a file to download. */
export interface MenuAction {
  readonly text: string;
  readonly act?: () => void;
  readonly download?: string;
  /** For a switch: whether it is on. */
  readonly on?: boolean;
}

interface Props {
  /** Where the button shows a sign only. */
  readonly label?: string;
  readonly children: ReactNode;
  readonly actions: readonly MenuAction[];
  readonly className?: string;
  /** Side to which the list extends from the button. */
  readonly opens?: 'to the left' | 'to the right';
  /** Offers the entries in the command palette too, with words that go before them. */
  readonly commands?: { readonly source: string; readonly prefix?: string };
}

/** A button that opens a short list of actions. */
export function ActionMenu({ label, children, actions, className = plain, opens = 'to the left', commands }: Props) {
  return (
    <Menu>
      {commands && <MenuCommands actions={actions} {...commands} />}
      <MenuButton aria-label={label} title={label} className={className}>
        {children}
      </MenuButton>
      <MenuItems
        anchor={{ to: opens === 'to the left' ? 'bottom end' : 'bottom start', gap: 4 }}
        className="z-30 rounded-lg border border-line bg-sheet p-1 shadow-lg focus:outline-none"
      >
        {actions.map(({ text, act, download, on }) => (
          <MenuItem key={text}>
            {download ? (
              <a href={download} download className={item}>
                {text}
              </a>
            ) : (
              <button type="button" className={item} onClick={act}>
                {text}
                {on && <Check aria-label="on" size={16} className="ml-auto" />}
              </button>
            )}
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}

interface CommandsProps {
  readonly actions: readonly MenuAction[];
  readonly source: string;
  readonly prefix?: string;
}

/** The entries of a menu as commands. */
function MenuCommands({ actions, source, prefix = '' }: CommandsProps) {
  const commands = useMemo(
    () =>
      actions.map(({ text, act, download }): Command => ({
        group: 'Actions',
        text: prefix + text,
        run: () =>
          download === undefined
            ? act?.()
            : Object.assign(document.createElement('a'), { href: download, download: '' }).click(),
      })),
    [actions, prefix],
  );
  useCommands(source, commands);
  return null;
}
