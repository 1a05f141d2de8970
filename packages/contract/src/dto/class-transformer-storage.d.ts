// The library publishes this module without its types; the schema generator takes it as it is.
declare module 'class-transformer/cjs/storage.js' {
  export const defaultMetadataStorage: never;
}
