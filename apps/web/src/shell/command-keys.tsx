import { pagePath } from '../api/base-path.ts';
import { Suspense, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useCommands, type Command } from '../ui/commands.ts';
import { codeLater, fetchedLater } from '../ui/fetched-later.ts';
import { currentTheme, useTheme } from '../ui/theme.ts';

const CommandPalette = fetchedLater(async () => (await import('./command-palette.tsx')).CommandPalette);
const KeysHelp = fetchedLater(async () => (await import('./keys-help.tsx')).KeysHelp);

const help = codeLater(async () => (await import('../help/page-for.ts')).pageFor);

const pages = [
  { text: 'Jobs', keys: 'g>j', to: '/' },
  { text: 'Correct a reading', keys: 'g>c', to: '/correct' },
  { text: 'Workshop: shunts and multipliers', keys: 'g>w', to: '/workshop' },
  { text: 'Kit: instruments', keys: 'g>k', to: '/kit' },
  { text: 'Kit: calibrations due', keys: 'g>d', to: '/calibrations' },
  { text: 'Practice: problems and a bench to find faults on', keys: 'g>p', to: '/practice' },
  { text: 'Worksheet: what follows from what is given', keys: 'g>s', to: '/practice/worksheet' },
  { text: 'Learn', keys: 'g>l', to: '/learn' },
  { text: 'Devices: phones and other computers', keys: 'g>v', to: '/devices' },
  { text: 'Backup and restore', keys: 'g>b', to: '/backup' },
  { text: 'About: version, data, licences', keys: 'g>a', to: '/about' },
] as const;

/** Actions of pages, offered everywhere: they go to the page that has them. */
const elsewhere: readonly { readonly text: string; readonly to: string }[] = [
  { text: 'New job', to: '/' },
  { text: 'Import a job file', to: '/' },
  { text: 'Import an archive of jobs', to: '/' },
  { text: 'Export all jobs', to: '/' },
  { text: 'Back up everything', to: '/backup' },
  { text: 'Restore a backup', to: '/backup' },
  { text: 'Archive a job', to: '/' },
  { text: 'Kit: Import JSON or CSV', to: '/kit' },
  { text: 'Kit: Export as JSON', to: '/kit' },
  { text: 'Kit: Export as CSV', to: '/kit' },
  { text: 'Print a practice sheet', to: '/practice/print' },
];

/** The keys that work everywhere: the command palette, the list of keys, and one to each page. */
export function CommandKeys() {
  const [open, setOpen] = useState<'palette' | 'keys' | null>(null);
  const navigate = useNavigate();
  const commands = useMemo(
    (): Command[] => [
      ...pages.map(({ text, keys, to }): Command => ({
        group: 'Pages',
        text,
        keys,
        run: () => void navigate(to),
      })),
      ...elsewhere.map(({ text, to }): Command => ({
        group: 'Actions',
        text,
        isElsewhere: true,
        run: () => void navigate(to),
      })),
      {
        group: 'Actions',
        text: 'Find a command',
        keys: 'mod+k',
        inFields: 'always',
        run: () => setOpen('palette'),
      },
      {
        group: 'Pages',
        text: 'Help with this page',
        keys: 'g>h',
        run: () => void help().then((pageFor) => navigate(`/help/${pageFor(pagePath())}`)),
      },
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
