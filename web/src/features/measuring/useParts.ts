/** Turning parts a person named, kept by family and speed on this device; the platter is known anyway. */
import { ownEntry } from '@amber-gauge/core/quantity';
import type { Family, FamilySpeed } from '@amber-gauge/core/families';
import type { TurningPart } from '@amber-gauge/core/speed';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface PartsStore {
  readonly own: Readonly<Record<string, readonly TurningPart[]>>;
  keep(key: string, parts: readonly TurningPart[]): void;
}

const useStore = create<PartsStore>()(
  persist(
    (set) => ({
      own: {},
      keep: (key, parts) => set((old) => ({ own: { ...old.own, [key]: parts } })),
    }),
    { name: 'amber-gauge-parts' },
  ),
);

const NONE: readonly TurningPart[] = [];

export interface Parts {
  /** All parts whose rates are known. */
  readonly all: readonly TurningPart[];
  readonly own: readonly TurningPart[];
  readonly keep: (parts: readonly TurningPart[]) => void;
}

export function useParts(family: Family, speed: FamilySpeed): Parts {
  const key = `${family.id} ${speed.id}`;
  const own = useStore((state) => ownEntry(state.own, key)) ?? NONE;
  const keep = useStore((state) => state.keep);
  const known = speed.nominalRpm === null ? [] : [{ name: family.turns, hz: speed.nominalRpm / 60 }];
  return { all: [...known, ...own], own, keep: (parts) => keep(key, parts) };
}
