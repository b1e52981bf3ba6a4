export interface Named {
  readonly pid: number;
  readonly began: string | null;
}
export function named(pid?: number): Named;
export function isAlive(one: Named): boolean;
export function beganAt(pid: number): string | null;
/** Once it has ended. */
export function gone(one: Named, everyMs?: number): Promise<void>;
/** Asks it to end, and after a while insists. */
export function end(one: Named, patienceMs?: number): Promise<void>;

export function processorTime(pid: number): number;
