export function openLog(
  name: string,
  how?: { readonly folder?: string; readonly size?: string; readonly maxFiles?: number },
): Promise<{ write(text: string): void; end(): void }>;
