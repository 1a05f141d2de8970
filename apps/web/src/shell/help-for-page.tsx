import { CircleQuestionMark } from 'lucide-react';
import { Link, useLocation } from 'react-router';
import { pageFor } from '../help/page-for.ts';

/** Link to the page of the guide about the page that is open. */
export function HelpForPage() {
  const { pathname } = useLocation();
  return (
    <Link
      to={`/help/${pageFor(pathname)}`}
      aria-label="Help"
      title="Help with this page (G H)"
      className="inline-flex size-9 items-center justify-center rounded-lg hover:bg-white/15"
    >
      <CircleQuestionMark aria-hidden size={18} />
    </Link>
  );
}
