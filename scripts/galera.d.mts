export interface ClusterNode {
  readonly url: string;
}

export interface Cluster {
  readonly nodes: readonly ClusterNode[];
  kill(node: ClusterNode): Promise<void>;
  cut(node: ClusterNode, ms: number): Promise<void>;
  stop(): Promise<void>;
}

export function startCluster(dir: string): Promise<Cluster>;
