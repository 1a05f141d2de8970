import { Link } from 'react-router';

interface Props {
  /** Page of the guide, with a place on it: `running#damaged`. */
  readonly to: string;
  /** Subject, for screen readers. */
  readonly about: string;
}

/** Link from a message to its remedy in the guide. */
export function HelpLink({ to, about }: Props) {
  return (
    <Link to={`/help/${to}`} className="inline-block min-h-6 whitespace-nowrap underline">
      What to do<span className="sr-only"> about {about}</span>
    </Link>
  );
}
