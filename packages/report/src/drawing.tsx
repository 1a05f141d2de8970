import { sectionNames } from '@usual-drag/core/report';

/** The network on its rails. */
export function Drawing({ drawing }: { readonly drawing: string }) {
  return (
    <>
      <h2>{sectionNames.drawing}</h2>
      <figure dangerouslySetInnerHTML={{ __html: drawing }} />
    </>
  );
}
