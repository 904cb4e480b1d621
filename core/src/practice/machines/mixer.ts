/** A stand mixer: triac control with a pickup, universal motor, worm gear and planetary. */
import type { Random } from '../../numeric/index.js';
import {
  type Condition,
  type MachineFault,
  type Quantities,
  type Seen,
  between,
  evenly,
  practiceMachine,
  together,
} from '../machine.js';
import {
  universalDrive,
  universalFaults,
  universalHarm,
  universalQuantities,
  type UniversalDrive,
} from './universalDrive.js';
import { say } from '../../words/index.js';

interface Mixer {
  drive: UniversalDrive;
  switchOpen: boolean;
  filterBurst: boolean;
  pickupOpen: boolean;
  gapMm: number;
  linkageSlips: boolean;
  gearStripped: boolean;
  /** Friction of gear and grease over the usual. */
  greaseTimes: number;
  mountsTorn: boolean;
  feetHard: boolean;
}

const EMPTY = { friction: 0.02, viscous: 6e-5, fan: 3e-8 };
/** Firm dough at the shaft of the motor, N·m. */
const DOUGH_NM = 0.12;

const build = (random: Random): Mixer => ({
  drive: universalDrive(random, { load: EMPTY, k: 0.16, ohm: 28 }),
  switchOpen: false,
  filterBurst: false,
  pickupOpen: false,
  gapMm: 0.5,
  linkageSlips: false,
  gearStripped: false,
  greaseTimes: 1,
  mountsTorn: false,
  feetHard: false,
});

const OWN: readonly MachineFault<Mixer>[] = [
  { id: 'switch-open', name: 'lever switch worn', share: 8, make: (p) => void (p.switchOpen = true) },
  {
    id: 'filter-burst',
    name: 'X2 capacitor burst',
    share: 10,
    make: (p) => {
      p.filterBurst = true;
      p.drive.burnt = true;
    },
  },
  { id: 'pickup-open', name: 'coil of the pickup open', share: 2, make: (p) => void (p.pickupOpen = true) },
  {
    id: 'gap-wide',
    name: 'gap of the pickup too wide',
    share: 3,
    make: (p, random) => void (p.gapMm = evenly(random, 1.6, 2.6)),
  },
  { id: 'linkage', name: 'linkage of the knob slips', share: 3, make: (p) => void (p.linkageSlips = true) },
  { id: 'gear-stripped', name: 'worm wheel stripped', share: 5, make: (p) => void (p.gearStripped = true) },
  {
    id: 'grease-hard',
    name: 'grease hard',
    share: 6,
    make: (p, random) => void (p.greaseTimes = between(random, 4, 7)),
  },
  { id: 'mounts-torn', name: 'motor mounts torn', share: 4, make: (p) => void (p.mountsTorn = true) },
  { id: 'feet-hard', name: 'feet hard', share: 6, make: (p) => void (p.feetHard = true) },
];

function solve(p: Mixer, c: Condition, random: Random): Quantities {
  const low = c.setting === 'low' && !p.linkageSlips;
  // Without its pulses the control takes the motor for standing still and fires early.
  const pulses = !p.pickupOpen && p.gapMm < 1.4;
  const dough = c.loaded ? DOUGH_NM : 0;
  const load = {
    ...EMPTY,
    friction:
      (EMPTY.friction * (p.gearStripped ? 0.5 : 1) + (p.gearStripped ? 0 : dough)) *
      Math.max(1, 0.5 + 0.5 * p.greaseTimes),
    viscous: EMPTY.viscous * p.greaseTimes,
  };
  const q = universalQuantities(p.drive, { switched: !p.switchOpen, low: low && pulses, load }, c, random);
  const shaft = q['shaft.rpm'];
  return together(q, {
    'bowl.rpm': p.gearStripped ? 0 : shaft / 40,
    'gears.grind': shaft > 10 ? (p.gearStripped ? 1 : p.greaseTimes > 2 ? 0.7 : 0.1) : 0,
    'switch.ohm': p.switchOpen ? Infinity : 0.1,
    'filter.burst': p.filterBurst ? 1 : 0,
    'pickup.ohm': p.pickupOpen ? Infinity : 190,
    'pickup.gap.mm': p.gapMm,
    'linkage.slips': p.linkageSlips ? 1 : 0,
    'mounts.torn': p.mountsTorn ? 1 : 0,
    'feet.hard': p.feetHard ? 1 : 0,
    'gear.stripped': p.gearStripped ? 1 : 0,
    'grease.times': p.greaseTimes,
  });
}

/** What its owner notices first. */
function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const rpm = (condition: Partial<Condition>) => at('bowl.rpm', condition);
  const [high, low] = [rpm({ setting: 'high' }), rpm({ setting: 'low' })];
  if (at('tingles').mean > 0) return say`It tingles when I touch the bowl.`;
  if (at('filter.burst').mean > 0) return say`It went bang and smoked, and still runs.`;
  if (high.mean < 5)
    return at('shaft.rpm', { setting: 'high' }).mean > 100
      ? say`The motor runs, the beater stands.`
      : say`It does nothing.`;
  if (low.mean > 0.7 * high.mean) return say`It runs fast whatever is set.`;
  if (high.mean < 0.85 * USUAL_RPM) return say`It has no strength.`;
  if (rpm({ setting: 'high', loaded: true }).mean < 0.75 * USUAL_LOADED_RPM) return say`It gives up in a dough.`;
  if (at('sparks', { setting: 'high' }).mean > 0.5) return say`It sparks.`;
  if (at('gears.grind', { setting: 'high' }).mean > 0.5 || at('motor.roughness', { setting: 'high' }).mean > 0.6)
    return say`It is loud.`;
  return at('mounts.torn').mean + at('feet.hard').mean > 0 ? say`It wanders about the table.` : null;
}

/** Turns a minute of the beater at its highest setting, empty and in a dough: what a sound one of the kind does. */
const USUAL_RPM = 310;
const USUAL_LOADED_RPM = 240;

/** The stand mixer of the practice bench. */
export const mixer = practiceMachine<Mixer>({
  id: 'mixer',
  name: 'stand mixer, triac control with a pickup',
  settings: ['high', 'low'],
  answersTo: ['tapped', 'loaded'],
  build,
  faults: [...universalFaults<Mixer>(), ...OWN],
  solve,
  sounds: [{ quantity: 'shaft.rpm', part: 'armature', lines: 'bars', count: 12, loud: 0.15 }],
  hands: [{ id: 'switch', name: 'lever switch bridged', make: (p) => void (p.switchOpen = false) }],
  complain,
  spoils: { 'the winding burns': 'field-open' },
  harm: (p) => universalHarm(p.drive, !p.switchOpen),
});
