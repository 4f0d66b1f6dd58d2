export interface RunningDatabase {
  readonly port: number;
  readonly url: string;
  readonly pid: number;
  /** The folder it was started in. */
  readonly dir: string;
  readonly ended: Promise<void>;
  stop(): Promise<void>;
}

export function startMariadb(settings: {
  readonly dir: string;
  readonly port?: number;
  readonly database?: string;
  readonly fleeting?: boolean;
  /** Settings beside ours. */
  readonly more?: readonly string[];
}): Promise<RunningDatabase>;
