/** Short forms of the fields that workings have. */
import type { WorkingField } from './working.js';

type More = Partial<Omit<WorkingField, 'id' | 'label' | 'unit' | 'kind'>>;

/** A number with its unit; above zero unless said. */
export const number = (id: string, label: string, unit: string, more: More = {}): WorkingField => ({
  id,
  label,
  unit,
  kind: 'number',
  ...more,
});

/** One of a few. */
export const choice = (id: string, label: string, choices: readonly string[], usual?: string): WorkingField => ({
  id,
  label,
  unit: null,
  kind: 'choice',
  choices,
  ...(usual === undefined ? {} : { usual }),
});

/** Words, or several readings in a row. */
export const words = (id: string, label: string, more: More = {}): WorkingField => ({
  id,
  label,
  unit: null,
  kind: 'text',
  ...more,
});
