export function kept<T>(what: string, inputs: unknown, compute: () => T): T;
export function engineHash(): string;
export function sharedEngine(): string;
export function clearShared(): void;
