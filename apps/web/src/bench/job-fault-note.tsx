import type { JobFault } from '@usual-drag/core/job';
import { HelpLink } from '../help/help-link.tsx';
import { Note } from '../ui/note.tsx';

/** Place of the guide about each fault that a network can have; others are explained by their message alone. */
const help: Partial<Record<JobFault['code'], string>> = {
  'source-conflict': 'network#sources-contradict-each-other',
  'current-source-open': 'network#a-current-source-has-no-path',
  'invalid-value': 'network#values-are-out-of-range',
};

/** Reason why the open job has no values, with a link to what can be done. */
export function JobFaultNote({ fault }: { readonly fault: JobFault }) {
  const place = help[fault.code];
  return (
    <Note kind="limit">
      {fault.message} {place !== undefined && <HelpLink to={place} about={fault.message} />}
    </Note>
  );
}
