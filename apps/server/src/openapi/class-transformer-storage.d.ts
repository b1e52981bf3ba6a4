declare module 'class-transformer/cjs/storage.js' {
  import type { validationMetadatasToSchemas } from 'class-validator-jsonschema';

  type Options = NonNullable<Parameters<typeof validationMetadatasToSchemas>[0]>;
  /** Typed as the schema generator wants it; the package ships no types for this file. */
  export const defaultMetadataStorage: Options['classTransformerMetadataStorage'];
}
