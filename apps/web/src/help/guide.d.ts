/** The guide, rendered by the build. */
declare module 'virtual:guide' {
  export interface GuidePage {
    readonly id: string;
    readonly title: string;
    /** Places on the page that can be linked to. */
    readonly topics: readonly { readonly anchor: string; readonly text: string }[];
    fetch(): Promise<{ readonly html: string }>;
  }
  export const guide: readonly GuidePage[];
}
