export function kept<T>(what: string, inputs: unknown, compute: () => T): T;
