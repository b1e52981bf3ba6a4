/** A private database cluster on loopback. */
export function startCluster(
  name: string,
  options: {
    readonly durable: boolean;
    readonly user?: { readonly name: string; readonly uid: number };
    readonly takeOver?: boolean;
  },
): Promise<{ readonly url: string; readonly place: string; readonly stop: () => void }>;
export function stopCluster(place: { readonly bin: string; readonly data: string }): void;
