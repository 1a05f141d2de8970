import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import type { ReactNode } from 'react';

const item = 'flex min-h-9 w-full items-center rounded-md px-3 text-left data-focus:bg-sunk';

/** An entry of a menu: something to do, or a file to download. */
export interface MenuAction {
  readonly text: string;
  readonly act?: () => void;
  readonly download?: string;
}

/** A button that opens a short list of actions. */
export function ActionMenu({
  children,
  actions,
}: {
  readonly children: ReactNode;
  readonly actions: readonly MenuAction[];
}) {
  return (
    <Menu>
      <MenuButton className="inline-flex min-h-9 items-center gap-2 rounded-lg border border-line bg-sheet px-3 text-[15px] hover:border-soft">
        {children}
      </MenuButton>
      <MenuItems
        anchor={{ to: 'bottom end', gap: 4 }}
        className="z-30 rounded-lg border border-line bg-sheet p-1 shadow-lg focus:outline-none"
      >
        {actions.map(({ text, act, download }) => (
          <MenuItem key={text}>
            {download ? (
              <a href={download} download className={item}>
                {text}
              </a>
            ) : (
              <button type="button" className={item} onClick={act}>
                {text}
              </button>
            )}
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
