export interface Certificate {
  readonly cert: string;
  readonly key: string;
  readonly authority: string;
  readonly fingerprint: string;
  readonly isNew: boolean;
}

export function lanAddresses(): string[];
export function ensureCertificate(dir: string, names: readonly string[]): Certificate;
