export function isFree(port: number, host?: string): Promise<boolean>;
export function freePort(): Promise<number>;
export function isOurs(host: string): Promise<boolean>;
