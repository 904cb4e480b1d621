/**
 * The compiled inner loops and the memory they work in. Everything that uses them has a twin in plain
 * TypeScript: where there is no WebAssembly with vectors, or inside {@link withoutKernel}, that one runs.
 */
import { KERNEL_BYTES } from './bytes.js';

type Sums = (...args: number[]) => void;

/** What core/kernel exports; all places are byte addresses. */
interface KernelCalls {
  readonly mixSums: Sums;
  readonly filterSums: Sums;
  readonly addWave: Sums;
  readonly countSizes: (...args: number[]) => number;
  readonly quasiPeak: Sums;
  readonly normalSums: Sums;
  readonly takeOff: Sums;
  readonly transform: Sums;
  readonly unpack: Sums;
  readonly pack: Sums;
  readonly unpair: Sums;
  readonly windowPairs: Sums;
  readonly power: Sums;
  readonly decodeWords: Sums;
  readonly turn: Sums;
  readonly polar: Sums;
  readonly shiftSums: Sums;
  readonly addTooth: Sums;
  readonly frameLevels: Sums;
  readonly unwrap: Sums;
  readonly blockSums: Sums;
  readonly countOdd: (...args: number[]) => number;
  readonly hann: Sums;
  readonly differences: (...args: number[]) => number;
  readonly slideBest: Sums;
  readonly joinSides: Sums;
}

/** Memory laid out anew for each use: `clear` first, then `put` and `room`, then call, then read. */
export interface Workspace {
  readonly calls: KernelCalls;
  clear(): void;
  /** Lays `values` out; the address. */
  put(values: Float64Array | Float32Array | Uint8Array | Uint16Array): number;
  /** Room for `bytes`, filled with zeros; the address. */
  room(bytes: number): number;
  /** Room for `bytes` with whatever stood there: for what is written before it is read. */
  space(bytes: number): number;
  /** `count` values at an address: good until the next `put` or `room`. */
  values(at: number, count: number): Float64Array;
  bytes(at: number, count: number): Uint8Array;
  singles(at: number, count: number): Float32Array;
  shorts(at: number, count: number): Int16Array;
  counts(at: number, count: number): Uint32Array;
}

interface Exports extends KernelCalls {
  readonly memory: { readonly buffer: ArrayBuffer; grow(pages: number): number };
  readonly base: { readonly value: number };
}

interface Engine {
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object) => { readonly exports: unknown };
}

const PAGE = 65536;

let module: object | null | undefined;
let shared: Workspace | null = null;
let plainOnly = false;

const engine = (): Engine | undefined => (globalThis as unknown as { WebAssembly?: Engine }).WebAssembly;

/** A workspace of its own, for what is kept in it; null where the plain loops must do. */
export function ownWorkspace(): Workspace | null {
  if (plainOnly || module === null) return null;
  try {
    const { Module, Instance } = engine() as Engine;
    module ??= new Module(Uint8Array.from(KERNEL_BYTES));
    return workspaceOf(new Instance(module).exports as Exports);
  } catch {
    // No WebAssembly, no vectors, or forbidden by the page's policy.
    module = null;
    return null;
  }
}

/** The one workspace for all that is laid out, called and read in one go. */
export function workspace(): Workspace | null {
  if (plainOnly) return null;
  shared ??= ownWorkspace();
  shared?.clear();
  return shared;
}

/** Runs `work` on the plain loops alone: the reference that tests compare with. */
export async function withoutKernel<T>(work: () => T | Promise<T>): Promise<T> {
  plainOnly = true;
  try {
    return await work();
  } finally {
    plainOnly = false;
  }
}

function workspaceOf(exports: Exports): Workspace {
  const { memory, base } = exports;
  const start = Math.ceil(base.value / 16) * 16;
  let top = start;
  const take = (bytes: number): number => {
    const at = top;
    top += Math.ceil(bytes / 16) * 16;
    const missing = top - memory.buffer.byteLength;
    if (missing > 0) memory.grow(Math.ceil(missing / PAGE));
    return at;
  };
  return {
    calls: exports,
    clear: () => {
      top = start;
    },
    put(values) {
      const at = take(values.byteLength);
      new Uint8Array(memory.buffer, at, values.byteLength).set(
        new Uint8Array(values.buffer, values.byteOffset, values.byteLength),
      );
      return at;
    },
    room(bytes) {
      const at = take(bytes);
      new Uint8Array(memory.buffer, at, bytes).fill(0);
      return at;
    },
    space: take,
    values: (at, count) => new Float64Array(memory.buffer, at, count),
    shorts: (at, count) => new Int16Array(memory.buffer, at, count),
    bytes: (at, count) => new Uint8Array(memory.buffer, at, count),
    singles: (at, count) => new Float32Array(memory.buffer, at, count),
    counts: (at, count) => new Uint32Array(memory.buffer, at, count),
  };
}
