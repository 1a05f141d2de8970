import { Link } from 'react-router';

interface Props {
  /** Page of the guide, with a place on it: `running#damaged`. */
  readonly to: string;
  /** What the page explains, for who hears the link alone. */
  readonly about: string;
}

/** Link from a message to the place of the guide that says what to do. */
export function HelpLink({ to, about }: Props) {
  return (
    <Link to={`/help/${to}`} className="whitespace-nowrap underline">
      What to do<span className="sr-only"> about {about}</span>
    </Link>
  );
}
