/** The supply of a small deck: cord, fuse, transformer, rectifier, regulator, with what each does when it fails. */
import type { Random } from '../../numeric/index.js';
import {
  type Condition,
  type MachineFault,
  type PracticeTrace,
  type Quantities,
  chance,
  evenly,
  within,
} from '../machine.js';
import { settledReservoir, type Reservoir } from './rectifier.js';

/** Parameters of a small mains supply. Ω, V, A, F. */
export interface SmallSupply {
  mainsV: number;
  mainsHz: number;
  cordOpen: boolean;
  /** A lead of the cord touches metal: Ω from pin to case; the usual is what the insulation has. */
  leakMohm: number;
  fuseOpen: boolean;
  fuseA: number;
  /** It was blown at once by what lies behind it, as the owner heard. */
  blew: boolean;
  /** Secondary open-circuit volts at the rated mains. */
  secondaryV: number;
  ratedV: number;
  /** What is printed on the transformer, and what the board is made for. */
  printedV: number;
  wantedV: number;
  primaryOhm: number;
  secondaryOhm: number;
  primaryOpen: boolean;
  /** Part of the turns that is shorted. */
  shortedTurns: number;
  /** The selector or step-down gives so many times the volts it should. */
  tapRatio: number;
  halves: [boolean, boolean];
  diodesOpen: boolean;
  /** Ω across the reservoir by something shorted; infinite when nothing is. */
  shortOhm: number;
  farad: number;
  esrOhm: number;
  regulatorV: number;
  dropoutV: number;
  regulatorOpen: boolean;
  regulatorThrough: boolean;
  /** Volts lost by the time it is warm. */
  warmLossV: number;
  /** Ω of a cracked joint cold and warm. */
  joint: readonly [number, number];
  loadA: number;
  burnt: boolean;
}

/** Sound parts for these volts. */
export function smallSupply(
  random: Random,
  of: { secondaryV: number; regulatorV: number; loadA: number },
): SmallSupply {
  return {
    mainsV: within(random, 230, 0.04),
    mainsHz: 50,
    cordOpen: false,
    leakMohm: within(random, 60, 0.5),
    fuseOpen: false,
    fuseA: 0.25,
    blew: false,
    secondaryV: within(random, of.secondaryV, 0.03),
    ratedV: 230,
    printedV: of.secondaryV,
    wantedV: of.regulatorV,
    primaryOhm: within(random, 320, 0.1),
    secondaryOhm: within(random, 1.6, 0.1),
    primaryOpen: false,
    shortedTurns: 0,
    tapRatio: 1,
    halves: [true, true],
    diodesOpen: false,
    shortOhm: Infinity,
    farad: within(random, 2200e-6, 0.15),
    esrOhm: 0.06,
    regulatorV: within(random, of.regulatorV, 0.03),
    dropoutV: 2,
    regulatorOpen: false,
    regulatorThrough: false,
    warmLossV: 0.05,
    joint: [0.02, 0.02],
    loadA: of.loadA,
    burnt: false,
  };
}

/** What can go wrong with it; `P` holds the supply under `supply`. */
export const supplyFaults = <P extends { supply: SmallSupply }>(): readonly MachineFault<P>[] => [
  ...mainsSide<P>(),
  ...boardSide<P>(),
];

/** Cord, fuse and transformer. */
const mainsSide = <P extends { supply: SmallSupply }>(): readonly MachineFault<P>[] => [
  {
    id: 'cord-open',
    name: 'cord broken inside at the plug',
    share: 3,
    make: ({ supply: s }) => void (s.cordOpen = true),
  },
  { id: 'fuse-aged', name: 'fuse open of age', share: 1.5, make: ({ supply: s }) => void (s.fuseOpen = true) },
  {
    id: 'lead-on-case',
    name: 'a lead of the cord touches the case',
    share: 0.6,
    make: ({ supply: s }, random) => void (s.leakMohm = 0.0001 + 0.3 * random() ** 3),
  },
  {
    id: 'primary-open',
    name: 'primary or its thermal link open',
    share: 2,
    make: ({ supply: s }) => void (s.primaryOpen = true),
  },
  {
    id: 'turns-shorted',
    name: 'turns of the transformer shorted',
    share: 1,
    make: ({ supply: s }, random) => {
      s.shortedTurns = evenly(random, 0.15, 0.5);
      s.burnt = true;
    },
    victims: ({ supply: s }, random) => (s.shortedTurns > 0.3 && chance(random, 0.5) ? ['fuse-aged'] : []),
  },
  {
    id: 'wrong-tap',
    name: 'voltage selector set for a higher mains',
    share: 1.5,
    make: ({ supply: s }) => void (s.tapRatio = 0.52),
  },
];

/** Rectifier, reservoir and regulator. */
const boardSide = <P extends { supply: SmallSupply }>(): readonly MachineFault<P>[] => [
  {
    id: 'reservoir-dry',
    name: 'reservoir dried out',
    share: 4,
    make: ({ supply: s }, random) => {
      s.farad *= evenly(random, 0.03, 0.15);
      s.esrOhm = evenly(random, 2, 10);
    },
  },
  {
    id: 'diode-open',
    name: 'one diode open',
    share: 2,
    make: ({ supply: s }, random) => void (s.halves = chance(random, 0.5) ? [false, true] : [true, false]),
  },
  { id: 'diodes-open', name: 'rectifier open', share: 1, make: ({ supply: s }) => void (s.diodesOpen = true) },
  {
    id: 'rail-shorted',
    name: 'reservoir or a diode shorted',
    share: 1.5,
    make: ({ supply: s }, random) => {
      s.shortOhm = evenly(random, 0.1, 2.1);
      s.burnt = chance(random, 0.3);
      s.blew = true;
    },
    // The primary draws what the secondary is shorted with; what melts the fuse is heat.
    victims: ({ supply: s }) => (primaryAmps(s) > 2 * s.fuseA ? ['fuse-aged'] : []),
  },
  { id: 'regulator-open', name: 'regulator open', share: 2, make: ({ supply: s }) => void (s.regulatorOpen = true) },
  {
    id: 'reference-low',
    name: 'reference of the regulator low',
    share: 3,
    make: ({ supply: s }, random) => void (s.regulatorV *= evenly(random, 0.55, 0.82)),
  },
  {
    id: 'regulator-through',
    name: 'regulator shorted through',
    share: 1,
    make: ({ supply: s }) => void (s.regulatorThrough = true),
  },
  {
    id: 'joint-warm',
    name: 'a joint of the supply opens when warm',
    share: 1.5,
    make: ({ supply: s }) => void (s.joint = [0.05, 1e5]),
  },
  {
    id: 'regulator-warm',
    name: 'regulator gives way when warm',
    share: 2,
    make: ({ supply: s }, random) => void (s.warmLossV = s.regulatorV * evenly(random, 0.15, 0.45)),
  },
];

/** Primary current with the reservoir shorted: the reflected short behind both windings' resistances. */
function primaryAmps(s: SmallSupply): number {
  const ratio = s.secondaryV / s.ratedV;
  return s.mainsV / (s.primaryOhm + (s.secondaryOhm + s.shortOhm) / ratio ** 2);
}

/** The same supply settles the same way each time it is looked at. */
const SETTLED = new WeakMap<SmallSupply, Reservoir>();

function reservoirOf(s: SmallSupply, ac: number): Reservoir {
  const known = SETTLED.get(s);
  if (known) return known;
  const made =
    ac > 2 && !s.diodesOpen
      ? settledReservoir({
          sourceV: ac,
          mainsHz: s.mainsHz,
          sourceOhm: s.secondaryOhm + s.primaryOhm * (s.secondaryV / s.ratedV) ** 2,
          dropV: 1.6,
          halves: s.halves,
          farad: s.farad,
          esrOhm: s.esrOhm,
          loadOhm: 1 / (1 / (s.regulatorV / s.loadA) + 1 / s.shortOhm),
        })
      : { meanV: 0, leastV: 0, rippleV: 0, waveV: [0] };
  SETTLED.set(s, made);
  return made;
}

/** Volts that the transformer gives: nothing without mains, less where the load of shorted turns pulls it down. */
function secondaryOf(s: SmallSupply): number {
  const fed = !s.cordOpen && !s.fuseOpen && !s.primaryOpen;
  return fed ? (s.mainsV / s.ratedV) * s.secondaryV * s.tapRatio * (1 - 1.2 * s.shortedTurns) : 0;
}

/** What the regulator makes of the volts that it is offered at one moment. */
const regulatedOf = (s: SmallSupply, c: Condition, offeredV: number): number =>
  s.regulatorOpen
    ? 0
    : s.regulatorThrough
      ? offeredV
      : Math.max(0, Math.min(s.regulatorV - s.warmLossV * c.warm, offeredV - s.dropoutV));

/** Cycles of the mains on the screen (chosen). */
const CYCLES = 5;

/** What a scope shows at a place of the supply, coupled for a.c.; null for a place that is none of its own. */
export function supplyTrace(s: SmallSupply, c: Condition, quantity: string): PracticeTrace | null {
  const { waveV } = reservoirOf(s, secondaryOf(s));
  const at =
    quantity === 'reservoir.ripple.Vpp'
      ? waveV
      : quantity === 'board.ripple.Vpp'
        ? waveV.map((volts) => regulatedOf(s, c, volts))
        : null;
  if (!at) return null;
  const mean = at.reduce((sum, volts) => sum + volts, 0) / at.length;
  const volts = Float64Array.from({ length: CYCLES * at.length }, (_, i) => (at[i % at.length] as number) - mean);
  return { intervalS: 1 / s.mainsHz / at.length, volts };
}

/** Volts at the places of the supply, and the ohms of it lying dead. */
export function supplyQuantities(s: SmallSupply, c: Condition): Quantities & { readonly 'board.V': number } {
  const ac = secondaryOf(s);
  const rectified = reservoirOf(s, ac);
  const jointOhm = s.joint[0] + (s.joint[1] - s.joint[0]) * (c.warm > 0.5 && !c.tapped ? 1 : 0);
  // The least that stands at the reservoir decides what the load has; ripple comes through where there is no head left.
  const regulated = s.regulatorThrough ? rectified.meanV : regulatedOf(s, c, rectified.leastV);
  const board = regulated / (1 + (jointOhm * s.loadA) / Math.max(0.1, s.regulatorV));
  const { leastV, rippleV } = rectified;
  const through = regulatedOf(s, c, leastV + rippleV) - regulatedOf(s, c, leastV);
  return {
    'secondary.Vac': ac,
    'secondary.expected.Vac': s.printedV,
    'board.expected.V': s.wantedV,
    'reservoir.V': rectified.meanV,
    'reservoir.ripple.Vpp': rectified.rippleV,
    'board.V': board,
    'board.ripple.Vpp': Math.min(through, board),
    'cord.itself.ohm': s.cordOpen ? Infinity : 0.1,
    'fuse.ohm': s.fuseOpen ? Infinity : 0.4,
    'insulation.Mohm': s.leakMohm,
    'primary.ohm': s.primaryOpen ? Infinity : s.primaryOhm * (1 - s.shortedTurns),
    'primary.expected.ohm': 320,
    'tap.ratio': s.tapRatio,
    'rail.ohm': Math.min(1e4, s.shortOhm),
    burnt: s.burnt ? 1 : 0,
    blew: s.blew || (s.shortedTurns > 0.3 && s.fuseOpen) ? 1 : 0,
    tingles: s.leakMohm < 0.2 ? 1 : 0,
  };
}

/** What power does to it: a shorted rail or winding cooks, a live case kills. */
export function supplyHarm(s: SmallSupply): string[] {
  const fed = !s.cordOpen && !s.fuseOpen;
  return [
    ...(s.leakMohm < 0.2 && !s.cordOpen ? ['the case is live'] : []),
    ...(fed && !s.primaryOpen && (s.shortedTurns > 0.1 || s.shortOhm < 5) ? ['the transformer cooks'] : []),
  ];
}
