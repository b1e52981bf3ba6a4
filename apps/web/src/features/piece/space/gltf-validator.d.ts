declare module 'gltf-validator' {
  /** What the validator of the standard says of a file. Severity: 0 error, 1 warning, 2 information, 3 hint. */
  export function validateBytes(bytes: Uint8Array): Promise<{
    readonly issues: {
      readonly numErrors: number;
      readonly messages: readonly { readonly severity: number; readonly message: string }[];
    };
  }>;
}
