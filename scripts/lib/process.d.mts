export interface Named {
  readonly pid: number;
  readonly began: string | null;
}
export function named(pid?: number): Named;
export function isAlive(one: Named): boolean;
