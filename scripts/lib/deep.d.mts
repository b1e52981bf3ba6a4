export function deep<T>(all: T, sample: T): T;
