/** How usual mends are done, step by step: what, with what, how much, what to mind (common practice, no source). */

import { ownEntry } from '../../quantity/index.js';
import { said } from '../../words/index.js';
import type { MendWay } from '../path/schema.js';

/** A step of a mend. */
export interface RecipeStep {
  readonly id: string;
  readonly what: string;
  /** With what, and how much. */
  readonly using: string | null;
  readonly mind: string | null;
  /** It opens an end that the last step closes again. */
  readonly opens: { readonly what: string; readonly how: 'unsoldered' | 'unplugged' | 'removed' } | null;
}

/** What mends use up, by id: the shelf counts it by the same. */
export const CONSUMABLES = {
  'contact-cleaner': 'contact cleaner',
  swabs: 'swabs',
  'isopropyl-alcohol': 'isopropyl alcohol',
  'light-oil': 'light machine oil',
  solder: 'solder',
  'desoldering-braid': 'desoldering braid',
  flux: 'flux',
  grease: 'plastic-safe grease',
  adhesive: 'adhesive',
  detergent: 'detergent',
  'distilled-water': 'distilled water',
  wire: 'wire',
  'heat-shrink': 'heat-shrink tubing',
} as const;
/** See {@link CONSUMABLES}. */
export type ConsumableId = keyof typeof CONSUMABLES;

/** What work reaches: the circuit (a part in it renewed, soldered, bridged), or what turns and is dirty alone. */
export type WorkReach = 'circuit' | 'mechanics';

/** A way of mending: the kind of work it is, its steps, what it uses up. */
export interface Recipe {
  readonly id: string;
  readonly action: 'clean' | 'oil' | 'adjust' | 'replace' | 'repair';
  /** The kind of mend, where the mend does not say another. */
  readonly way: MendWay;
  /** What this kind of work may do to the unit; null for nothing worth a word. */
  readonly risks: string | null;
  /** Is the circuit changed by it? Then the supply is tested for a short before power. */
  readonly reach: WorkReach;
  readonly steps: readonly RecipeStep[];
  /** Ids of {@link CONSUMABLES}. */
  readonly usesUp: readonly ConsumableId[];
}

/** What each kind of work is, and what it may do. */
const KINDS: Readonly<Record<string, Pick<Recipe, 'way' | 'risks' | 'reach'>>> = {
  contacts: { way: 'clean', risks: 'cleaner on belts or in bearings makes a new fault', reach: 'mechanics' },
  bearing: { way: 'oil', risks: 'oil that wanders reaches belt and rubber', reach: 'mechanics' },
  belt: { way: 'part', risks: null, reach: 'mechanics' },
  soldered: { way: 'part', risks: 'a lifted pad, a neighbour that got too hot', reach: 'circuit' },
  board: { way: 'board', risks: 'what killed the old one kills this one too', reach: 'circuit' },
  motor: { way: 'motor', risks: 'it turns the other way on this face', reach: 'circuit' },
  set: { way: 'adjust', risks: 'where it stood is lost without a mark', reach: 'mechanics' },
  mechanical: { way: 'part', risks: 'old plastic breaks', reach: 'circuit' },
  wipe: { way: 'clean', risks: null, reach: 'mechanics' },
  fuse: { way: 'part', risks: 'what blew it blows this one too', reach: 'circuit' },
  cord: { way: 'part', risks: 'a live case when earth and live are confused', reach: 'circuit' },
  brushes: { way: 'part', risks: null, reach: 'mechanics' },
  wash: { way: 'clean', risks: 'power before it is dry', reach: 'circuit' },
  glue: { way: 'repair', risks: 'a drop too much runs into the bearing', reach: 'mechanics' },
  free: { way: 'repair', risks: 'old plastic breaks', reach: 'mechanics' },
  tell: { way: 'adjust', risks: null, reach: 'mechanics' },
  past: { way: 'bypass', risks: 'whoever opens it next has to find it: label it', reach: 'circuit' },
  donor: { way: 'donor', risks: 'as old as what it replaces', reach: 'circuit' },
  retrofit: { way: 'retrofit', risks: 'mounting, sense and volts have to suit', reach: 'circuit' },
  away: { way: 'away', risks: 'it is lost on the way, or comes back as it went', reach: 'circuit' },
};

const step = (
  id: string,
  what: string,
  using: string | null = null,
  mind: string | null = null,
  opens: RecipeStep['opens'] = null,
): RecipeStep => ({ id, what: said(what), using: using && said(using), mind: mind && said(mind), opens });

const recipe = (
  id: string,
  action: Recipe['action'],
  usesUp: readonly ConsumableId[],
  ...steps: readonly RecipeStep[]
): Recipe => {
  const kind = ownEntry(KINDS, id) ?? { way: 'repair', risks: null, reach: 'circuit' };
  return { id, action, ...kind, risks: kind.risks && said(kind.risks), usesUp, steps };
};

const RECIPES: readonly Recipe[] = [
  recipe(
    'contacts',
    'clean',
    ['contact-cleaner', 'swabs'],
    step('note', 'Note where it stands', 'a photo, or the clock position'),
    step(
      'spray',
      'Cleaner into it, sparingly',
      'contact cleaner, half a second',
      'Power off, away from belts, rollers and optics.',
    ),
    step('work', 'Work it from end to end', 'twenty times'),
    step('dry', 'Let it dry, set it back', 'five minutes'),
  ),
  recipe(
    'bearing',
    'oil',
    ['isopropyl-alcohol', 'light-oil'],
    step(
      'clean',
      'Old oil out',
      'isopropyl alcohol, lint-free cloth',
      'Nothing glows or sparks near it; windows open.',
    ),
    step('oil', 'Fresh oil in', 'one or two drops of light machine oil'),
    step('wipe', 'Wipe what stands out', null, 'Oil never comes to belts, rollers or rims.'),
    step('turn', 'Turn it by hand, then run it ten minutes'),
  ),
  recipe(
    'belt',
    'replace',
    ['isopropyl-alcohol'],
    step(
      'old',
      'Old belt off, its residue away',
      'isopropyl alcohol on pulleys and rims',
      'Tar stains: gloves, paper under it.',
      {
        what: 'belt',
        how: 'removed',
      },
    ),
    step('compare', 'New one beside the old one', 'length, thickness, shape'),
    step('fit', 'Fit it without a twist, on its step', 'dry fingers or tweezers, no grease'),
    step('track', 'Turn by hand: it runs in the middle'),
  ),
  recipe(
    'soldered',
    'replace',
    ['solder', 'desoldering-braid'],
    step('mark', 'Photo of it, polarity and markings'),
    step('out', 'Desolder it', 'iron, braid', 'Charge proved gone; the pad lifts when pulled.', {
      what: 'part on the board',
      how: 'unsoldered',
    }),
    step('test', 'Measure the old one and the new one'),
    step('in', 'Solder the new one in', null, 'Polarity by the board, not by the old part alone.'),
    step('look', 'No bridges, no cold joints', 'a magnifier'),
  ),
  recipe(
    'joints',
    'repair',
    ['solder', 'flux'],
    step('clean', 'Clean the joints', 'isopropyl alcohol, brush'),
    step('heat', 'Reheat each', 'flux and a little new solder'),
    step('look', 'Rings and cracks gone', 'a magnifier'),
  ),
  recipe(
    'board',
    'replace',
    [],
    step('photo', 'Photo of every plug and wire'),
    step('unplug', 'Unplug it', null, 'Hold plugs, not wires. Touch earth first.', {
      what: 'plugs of the board',
      how: 'unplugged',
    }),
    step('set', 'Jumpers, links and settings as on the old one'),
    step('fit', 'New one in, plugs on as in the photo'),
  ),
  recipe(
    'motor',
    'replace',
    ['solder'],
    step('mark', 'Mark plus, minus and its face', null, 'A governed motor dies of swapped leads.'),
    step('leads', 'Leads off', null, null, { what: 'motor leads', how: 'unsoldered' }),
    step('pulley', 'Pulley across, at its height', 'a distance measured before'),
    step('fit', 'New one in, leads on as marked'),
    step('limit', 'First power low and limited, watch its sense'),
  ),
  recipe(
    'set',
    'adjust',
    [],
    step('note', 'Note where it stands', 'clock position, facing the screw'),
    step('set', 'Set it, the trim coach leads', 'insulated blade'),
    step('seal', 'Mark it as left'),
  ),
  recipe(
    'mechanical',
    'replace',
    [],
    step('mark', 'Mark how it sits, measure its place'),
    step('off', 'Take it off', null, null, { what: 'worn part', how: 'removed' }),
    step('compare', 'New one beside the old one', 'calliper'),
    step('fit', 'Fit it, turn by hand: it runs true and free'),
  ),
  recipe(
    'wipe',
    'clean',
    ['isopropyl-alcohol', 'swabs'],
    step(
      'wipe',
      'Clean it',
      'isopropyl alcohol, swab or lint-free cloth',
      'Rubber gets a rubber cleaner or little alcohol, and time to dry.',
    ),
    step('dry', 'Let it dry', 'two minutes'),
    step('look', 'Look at it turning'),
  ),
  recipe(
    'connect',
    'repair',
    [],
    step('look', 'Contacts straight and clean'),
    step('on', 'Put it on until it catches', null, 'The mark decides which way round.'),
    step('tug', 'Pull at each wire lightly'),
  ),
  recipe(
    'free',
    'repair',
    ['grease'],
    step('mark', 'Mark how it sits, photo'),
    step('free', 'Free, fasten or straighten it', null, 'Old plastic breaks cold: warm it.'),
    step('grease', 'A film of grease where it had some', 'plastic-safe grease'),
    step('move', 'Move it through its whole way by hand'),
  ),
  recipe(
    'glue',
    'repair',
    ['adhesive'],
    step('clean', 'Both faces clean and rough', 'isopropyl alcohol, fine paper'),
    step('height', 'Height and side as measured before', null, 'A drop too much runs into the bearing.'),
    step('glue', 'Thin, then clamp', 'the least that wets both faces'),
    step('wait', 'Let it cure', 'a day', 'No power before it has cured.'),
  ),
  recipe(
    'fuse',
    'replace',
    [],
    step('why', 'Find what blew it', 'ohms behind it, dead', 'A second one is not tried before.'),
    step('same', 'The same: amperes, volts, speed, size', null, 'Never a larger one, never bridged.'),
    step('fit', 'Fit it, first power through the limit'),
  ),
  recipe(
    'cord',
    'replace',
    [],
    step('off', 'Old one off', null, 'Unplugged at the wall, plug in sight.', { what: 'mains cord', how: 'removed' }),
    step('earth', 'Earth longest, every strand held', 'sleeve or ring'),
    step('relief', 'Strain relief holds, pull at it'),
    step('measure', 'Earth path and insulation measured', null, 'Local rules decide who may do this.'),
  ),
  recipe(
    'brushes',
    'replace',
    [],
    step('length', 'Length of both, which way round they sat'),
    step('off', 'Old ones out', null, null, { what: 'brushes', how: 'removed' }),
    step('slide', 'New ones slide free in their holders'),
    step('run', 'Run them in', 'ten minutes at part speed, no load'),
  ),
  recipe(
    'wash',
    'clean',
    ['detergent', 'distilled-water', 'isopropyl-alcohol'],
    step('off', 'Board out', null, 'Charge proved gone.', { what: 'board', how: 'removed' }),
    step('wash', 'Wash, rinse, alcohol', 'soft brush, distilled water'),
    step('dry', 'Dry it warm', '40 °C, hours', 'No power before it is dry.'),
    step('back', 'Board in, coated where it was'),
  ),
  recipe(
    'past',
    'replace',
    ['wire', 'heat-shrink'],
    step('label', 'Label what is led round, photo before', 'a tag that stays inside'),
    step('out', 'Part off or its wires lifted', null, 'Unplugged, charge proved gone.', {
      what: 'what is led round',
      how: 'removed',
    }),
    step(
      'round',
      'Wire it fast, insulated and fastened',
      'wire for its current, heat-shrink tubing',
      'Never round a fuse, cut-out, lock, interlock or earth.',
    ),
    step('try', 'First power low and limited'),
  ),
  recipe(
    'donor',
    'replace',
    ['solder'],
    step('hear', 'Try the donor’s before it is taken out', 'its own chassis, low power first'),
    step('compare', 'Marks, revision and plugs beside each other', null, 'Alike is not the same.'),
    step('out', 'Old one out, every plug marked', null, 'Charge proved gone.', { what: 'old part', how: 'removed' }),
    step('fit', 'Donor’s in, plugs on as marked'),
    step('limit', 'First power low and limited, watch its sense'),
  ),
  recipe(
    'retrofit',
    'replace',
    ['wire', 'heat-shrink', 'solder'],
    step('wants', 'What it must do: volts, sense, speed, size', 'the sums of Workings, motor match'),
    step('out', 'Old one out and kept for the owner', null, 'Charge proved gone.', {
      what: 'old part',
      how: 'removed',
    }),
    step('fit', 'New one in, fastened and insulated', null, 'Mains stays behind its own insulation and fuse.'),
    step('sketch', 'Sketch of the wiring left inside', 'paper, a photo'),
    step('limit', 'First power low and limited, watch its sense'),
  ),
  recipe(
    'away',
    'repair',
    [],
    step('out', 'Take it out, every plug marked', null, 'Charge proved gone.', {
      what: 'what is sent away',
      how: 'removed',
    }),
    step('pack', 'Pack it so that nothing moves', 'antistatic bag, foam'),
    step('send', 'Sent, with what was measured on it'),
    step('back', 'Back: look at it, then put it in'),
  ),
  recipe('tell', 'adjust', [], step('do', 'Do it, and tell the owner why')),
];

/** Recipe of each repair, by the repair's id. */
const OF: Readonly<Record<string, readonly string[]>> = {
  contacts: [
    'clean',
    'clean-trim',
    'clean-trims',
    'contacts',
    'counter',
    'detent',
    'interlock',
    'mode',
    'mode-switch',
    'plate-contacts',
    'reverse',
    'selector',
    'slider',
    'switching',
    'tape-end',
  ],
  bearing: [
    'regrease',
    'bearing',
    'capstan',
    'capstan-oil',
    'flywheel',
    'motor-bearings',
    'motor-oil',
    'oil-motor',
    'oil-platter',
    'oil-specified',
    'oil-thin',
  ],
  belt: ['belt', 'loading-belt', 'new-belt'],
  soldered: [
    'added',
    'amp',
    'amp-mend',
    'board-parts',
    'boost',
    'bulk',
    'comparator',
    'crystal',
    'dew',
    'divider',
    'driver',
    'dropper',
    'feed-resistor',
    'feeder',
    'fg-head',
    'fg-track',
    'fg-wire',
    'governor',
    'hall',
    'lock',
    'oscillator',
    'recap',
    'rectifier',
    'regulator',
    'run-capacitor',
    'run-capacitors',
    'servo',
    'spark',
    'supply-caps',
    'supply-reel',
    'switches',
    'take-up-reel',
    'thermal',
    'timer',
    'timing',
    'transformer',
    'x2',
    'zener',
  ],
  joints: ['joints', 'mode-solder'],
  board: ['board', 'console', 'controller', 'display', 'drive', 'drum', 'logic', 'plate', 'system', 'triac', 'trigger'],
  motor: [
    'capstan-donor',
    'coils',
    'loading-motor',
    'motor',
    'motor-swap',
    'reel-motor',
    'supply-motor',
    'take-up-motor',
  ],
  set: [
    'trims',
    'centre-pitch',
    'guides',
    'holdback',
    'pickup-gap',
    'servo-trim',
    'set-trim',
    'set-trims',
    'trim',
    'fg',
  ],
  mechanical: [
    'ball',
    'bearing-new',
    'brakes',
    'clutch',
    'contact',
    'door',
    'drum-bearings',
    'feet',
    'gear',
    'gears',
    'heads',
    'idler',
    'lamp',
    'lamps',
    'lid',
    'mount',
    'mounts',
    'panel-lamp',
    'pickup',
    'pinch',
    'pitch',
    'pitch-pot',
    'platter-bearing',
    'pot',
    'pressure',
    'pulley',
    'pump',
    'reel',
    'renew-trim',
    'renew-trims',
    'rim-lamp',
    'ring',
    'rod',
    'selector-renew',
    'sensor',
    'slider-new',
    'switch',
    'valve',
  ],
  wipe: [
    'solenoid',
    'lever',
    'brush-free',
    'capstan-clean',
    'capstan-free',
    'commutator',
    'control-clean',
    'dust',
    'filters',
    'heads-clean',
    'idler-clean',
    'motor-clean',
    'rim',
    'seat',
    'talc',
  ],
  connect: ['coil-plug', 'fg-plug', 'harness', 'leads', 'pressure-hose', 'tacho-plug'],
  past: ['full-power', 'one-speed', 'pitch-fixed', 'quartz-only', 'return-off', 'third-off'],
  donor: [
    'donor-board',
    'donor-drive',
    'donor-mechanism',
    'donor-motor',
    'donor-supply',
    'donor-tool',
    'donor-transport',
    'donor-trigger',
  ],
  retrofit: ['other-motor', 'outside-governor', 'phase-control', 'plain-cord', 'small-amp'],
  away: ['board-away', 'drive-away', 'idler-away'],
  free: [
    'recrimp',
    'fan',
    'gear-free',
    'idler-true',
    'knob',
    'linkage',
    'load',
    'load-fasten',
    'mechanism',
    'motor-cap',
    'object',
    'pinch-arm',
    'pulley-lock',
    'return',
    'seal',
    'sensor-fasten',
    'turn',
  ],
  glue: ['glue-magnet', 'retainer'],
  fuse: ['drive-fuse', 'fuse'],
  cord: ['cord'],
  brushes: ['brushes'],
  wash: ['recap-wash', 'wash'],
  tell: ['lever-set', 'move', 'other-disc', 'own-load', 'pack', 'voltage-selector'],
};

/** Of the parts renewed without a soldering iron these stand in no circuit; lamps, switches, heads and sensors do. */
const MOVING: ReadonlySet<string> = new Set([
  'ball',
  'bearing-new',
  'brakes',
  'clutch',
  'drum-bearings',
  'feet',
  'gear',
  'gears',
  'idler',
  'mount',
  'mounts',
  'pinch',
  'platter-bearing',
  'pulley',
  'rod',
]);

/** Freed or fastened, and yet with leads or a plug in the hand. */
const WIRED: ReadonlySet<string> = new Set(['sensor-fasten', 'turn']);

const BY_REPAIR = new Map(
  Object.entries(OF).flatMap(([id, repairs]) => {
    const found = RECIPES.find((one) => one.id === id);
    if (!found) return [];
    return repairs.map((repair) => {
      const reach = MOVING.has(repair) ? 'mechanics' : WIRED.has(repair) ? 'circuit' : found.reach;
      return [repair, { ...found, reach }] as const;
    });
  }),
);

/** How a repair is done; null where the list has no such id. */
export const recipeOf = (repairId: string): Recipe | null => BY_REPAIR.get(repairId) ?? null;
