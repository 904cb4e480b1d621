/** Turning parts: those of the model's train, and those a person named, kept by family and speed on this device; the platter is known anyway. */
import { partsOfTrain } from '@amber-gauge/core/drive';
import { ownEntry } from '@amber-gauge/core/quantity';
import type { Family, FamilySpeed } from '@amber-gauge/core/families';
import { typedPart, type TurningPart } from '@amber-gauge/core/speed';
import { useSettings, useSheet } from '../../shared/api/queries.js';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** A part as it was typed. */
export interface OwnPart {
  readonly name: string;
  readonly hz: number;
}

interface PartsStore {
  readonly own: Readonly<Record<string, readonly OwnPart[]>>;
  keep(key: string, parts: readonly OwnPart[]): void;
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

const NONE: readonly OwnPart[] = [];

/** Turning parts of a job’s drive train. */
export interface Parts {
  /** All parts whose rates are known. */
  readonly all: readonly TurningPart[];
  readonly own: readonly OwnPart[];
  readonly keep: (parts: readonly OwnPart[]) => void;
}

/** @param model the unit's model, whose sheet may hold its train; empty for none. */
export function useParts(family: Family, speed: FamilySpeed, model = ''): Parts {
  const key = `${family.id} ${speed.id}`;
  const own = useStore((state) => ownEntry(state.own, key)) ?? NONE;
  const keep = useStore((state) => state.keep);
  const mainsHz = useSettings().data?.mainsHz ?? 50;
  const train = useSheet(family.id, model, model !== '')?.sheet.train;
  const asked = { id: speed.id, nominal: speed.nominalRpm ?? speed.nominalCmPerS };
  const turning = train ? partsOfTrain(train, asked, mainsHz) : [];
  const platter =
    speed.nominalRpm === null ? [] : [{ name: family.turns, kind: family.turnsKind, hz: speed.nominalRpm / 60 }];
  // A part of the train that turns with the platter names its line; twice named it would be told twice.
  const known = platter.filter(({ hz }) => !turning.some((part) => Math.abs(part.hz / hz - 1) < 0.01));
  return {
    all: [...known, ...turning, ...own.map(({ name, hz }) => typedPart(name, hz))],
    own,
    keep: (parts) => keep(key, parts),
  };
}
