/** Types of the cluster for the browser tests that kill it. */
export interface Cluster {
  readonly url: string;
  readonly port: number;
  readonly pid: number;
  stop(): Promise<void>;
  kill(): void;
}
export function startPostgres(dir: string, options?: { port?: number }): Promise<Cluster>;
