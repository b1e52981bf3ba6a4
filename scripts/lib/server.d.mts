export interface RunningServer {
  readonly pid: number;
  readonly ready: Promise<string>;
  readonly exited: Promise<number | string>;
  readonly logFile: string;
  stop(): Promise<void>;
  kill(): Promise<void>;
}
export function startServer(env: Record<string, string>, logName: string): Promise<RunningServer>;
