export interface ServerSettings {
  readonly databaseUrl: string;
  readonly photoDir?: string;
  /** 0 or absent: any free one. */
  readonly port?: number;
  /** Whether the web app is served too; it is where absent. */
  readonly web?: boolean;
  readonly resetDemo?: boolean;
}

export interface RunningServer {
  readonly port: number;
  readonly address: string;
  readonly pid: number;
  readonly ended: Promise<{ code: number | null; signal: string | null }>;
  stop(signal?: NodeJS.Signals): Promise<void>;
}

export function prepareDatabase(settings: ServerSettings): Promise<void>;
export function startServer(settings: ServerSettings): Promise<RunningServer>;
