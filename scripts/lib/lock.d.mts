/** Types of the lock for its tests. */
export interface LockOwner {
  readonly pid: number;
  readonly port?: number;
}
export interface Lock {
  readonly owner?: undefined;
  say(more: object): void;
  release(): void;
}
export function lockOwner(file: string): LockOwner | null;
export function takeLock(file: string): Lock | { readonly owner: LockOwner };
