import { sectionNames, type ReportSection } from '@usual-drag/core/report';

interface Props {
  readonly section: ReportSection;
  readonly lines: readonly string[];
  /** Text if there are no lines. */
  readonly none?: string;
  readonly after?: string;
}

/** Section of sentences. */
export function Words({ section, lines, none, after }: Props) {
  return (
    <>
      <h2>{sectionNames[section]}</h2>
      {lines.length === 0 ? (
        <p>{none}</p>
      ) : (
        <ul>
          {lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {after !== undefined && <p className="small">{after}</p>}
    </>
  );
}
