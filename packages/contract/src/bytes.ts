/** A size of a file in words, such as `84 kB` or `12.3 MB`; in thousands, as disks are sold. */
export const sayBytes = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.ceil(bytes / 1_000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
