export interface ServerSettings {
  readonly databaseUrl: string;
  readonly photoDir?: string;
  /** 0 or absent: any free one. */
  readonly port?: number;
  /** The built web app; the one of this checkout where absent. */
  readonly webDir?: string;
  readonly resetDemo?: boolean;
  /** Whether the demo is made and open; absent: yes. */
  readonly demo?: boolean;
  /** What sign-ins are signed with; absent: made from the database's password. */
  readonly secret?: string;
  /** Further settings of the server. */
  readonly more?: Readonly<Record<string, string>>;
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
/** What the built server is set to, as its environment. */
export function environment(settings: ServerSettings): NodeJS.ProcessEnv;
