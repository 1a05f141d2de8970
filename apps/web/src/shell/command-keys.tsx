import { Suspense, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { useCommands, type Command } from '../ui/commands.ts';
import { fetchedLater } from '../ui/fetched-later.ts';
import { currentTheme, useTheme } from '../ui/theme.ts';

const CommandPalette = fetchedLater(async () => (await import('./command-palette.tsx')).CommandPalette);
const KeysHelp = fetchedLater(async () => (await import('./keys-help.tsx')).KeysHelp);

const pages = [
  { text: 'Jobs', keys: 'G J', to: '/' },
  { text: 'Correct a reading', keys: 'G C', to: '/correct' },
  { text: 'Workshop: shunts and multipliers', keys: 'G W', to: '/workshop' },
  { text: 'Kit: instruments', keys: 'G K', to: '/kit' },
  { text: 'Kit: calibrations due', keys: 'G D', to: '/calibrations' },
  { text: 'Practice: problems and a bench to find faults on', keys: 'G P', to: '/practice' },
  { text: 'Worksheet: what follows from what is given', keys: 'G S', to: '/practice/worksheet' },
  { text: 'Learn', keys: 'G L', to: '/learn' },
  { text: 'Devices: phones and other computers', keys: 'G V', to: '/devices' },
] as const;

/** The keys that work everywhere: the command palette, the list of keys, and one to each page. */
export function CommandKeys() {
  const [open, setOpen] = useState<'palette' | 'keys' | null>(null);
  const navigate = useNavigate();
  useHotkeys('mod+k', () => setOpen('palette'), { preventDefault: true, enableOnFormTags: true });
  useHotkeys('?', () => setOpen('keys'), { useKey: true });
  useHotkeys(
    pages.map(({ keys }) => keys.toLowerCase().replace(' ', '>')),
    (_event, { hotkey }) => {
      const page = pages.find(({ keys }) => keys.toLowerCase().replace(' ', '>') === hotkey);
      if (page) void navigate(page.to);
    },
  );
  const commands = useMemo(
    (): Command[] => [
      ...pages.map(({ text, keys, to }): Command => ({
        group: 'Pages',
        text,
        keys,
        run: () => void navigate(to),
      })),
      { group: 'Actions', text: 'Find a command', keys: 'Ctrl K', run: () => setOpen('palette') },
      { group: 'Actions', text: 'Keys on this screen', keys: '?', run: () => setOpen('keys') },
      {
        group: 'Actions',
        text: 'Light or dark theme',
        run: () => {
          const { chosen, choose } = useTheme.getState();
          choose(currentTheme(chosen) === 'dark' ? 'light' : 'dark');
        },
      },
    ],
    [navigate],
  );
  useCommands('everywhere', commands);
  const close = (): void => setOpen(null);
  return (
    <Suspense>
      {open === 'palette' && <CommandPalette onClose={close} />}
      {open === 'keys' && <KeysHelp onClose={close} />}
    </Suspense>
  );
}
