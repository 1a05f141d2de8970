import type { ServerWarning } from '@usual-drag/contract';
import { HelpLink } from '../help/help-link.tsx';
import { Note } from '../ui/note.tsx';

/** Place of the guide about each warning. */
const help: Readonly<Record<ServerWarning['about'], string>> = {
  'disk-space': 'running#the-disk-is-nearly-full',
  copies: 'running#copies-are-overdue',
};

/** Warnings of the server, each with a link to its remedy. */
export function ServerWarnings({ warnings }: { readonly warnings: readonly ServerWarning[] }) {
  return warnings.map(({ about, message }) => (
    <Note key={about} kind="limit">
      {message} <HelpLink to={help[about]} about={message} />
    </Note>
  ));
}
