export interface ServerSettings {
  readonly databaseUrl: string;
  readonly photoDir?: string;
  /** 0 or absent: any free one. */
  readonly port?: number;
  /** The built web app; the one of this checkout where absent. */
  readonly webDir?: string;
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
