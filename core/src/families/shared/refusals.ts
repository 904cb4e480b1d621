/**
 * What is never planned here: the defeat of a safety device. Each rule has a name, the words that call
 * it up, its reason, and what to do instead. Common practice; local rules say the same in law.
 */
import { z } from 'zod';
import { said } from '../../words/index.js';

const text = z.string().min(1).transform(said);

export const refusalSchema = z.object({
  id: z.string().regex(/^[a-z-]+$/),
  name: text,
  /** The device, as people call it. */
  device: z.array(z.string().min(1)).min(1),
  reason: text,
  instead: text,
});
export type Refusal = z.infer<typeof refusalSchema>;

/** Doing words that defeat a device when they stand with it. */
export const DEFEAT_WORDS = [
  'bypass',
  'bypassed',
  'bridge',
  'bridged',
  'jumper',
  'jumpered',
  'short',
  'shorted',
  'defeat',
  'defeated',
  'disable',
  'disabled',
  'override',
  'overridden',
  'link out',
  'linked out',
  'loop out',
  'tape down',
  'taped down',
  'strap',
  'strapped',
  'cheat',
  'remove for good',
  'leave out',
  'left out',
  'cut off',
  'disconnect for good',
] as const;

/** Words that make the line a finding about an earlier visit, which is always worth keeping. */
export const FINDING_WORDS = [
  'found',
  'was',
  'were',
  'somebody',
  'earlier visit',
  'came in',
  'restored',
  'removed the',
] as const;

export const REFUSAL_DATA: readonly Refusal[] = [
  {
    id: 'door-lock',
    name: 'Door and lid locks stay',
    device: ['door lock', 'lid lock', 'door switch', 'lid switch', 'door interlock'],
    reason: 'A drum at spin takes an arm off in the time one needs to see it.',
    instead: 'Measure the lock’s contacts dead, or its volts with the door shut.',
  },
  {
    id: 'interlock',
    name: 'Interlocks stay',
    device: ['interlock', 'safety switch', 'bowl switch', 'dead man', 'trigger lock', 'head lock'],
    reason: 'It is what stands between a hand and the tool when somebody else picks it up.',
    instead: 'Measure it dead in both positions; renew it when it fails.',
  },
  {
    id: 'earth',
    name: 'The earth stays',
    device: ['earth', 'ground wire', 'protective conductor', 'earth pin', 'grounding'],
    reason: 'Without it the first insulation fault puts the mains on the case.',
    instead: 'Lift nothing; find the leakage with the clamp or the insulation tester, unplugged.',
  },
  {
    id: 'thermal',
    name: 'Thermal cut-outs and fuses stay',
    device: [
      'thermal',
      'cut-out',
      'cutout',
      'cut out',
      'thermal fuse',
      'overheat',
      'thermostat',
      'fuse',
      'motor protector',
      'thermal link',
    ],
    reason: 'It opened because something was hot; the next thing to open is a winding, on fire.',
    instead: 'Measure its ohms cold and warm, dead; renew it with the same temperature and current.',
  },
  {
    id: 'pressure',
    name: 'Pressure and level switches stay',
    device: ['pressure switch', 'level switch', 'flood switch', 'float switch'],
    reason: 'Without it the machine fills until the floor is wet and the heater runs dry.',
    instead: 'Blow it by mouth and measure its contacts, unplugged.',
  },
  {
    id: 'pack',
    name: 'Pack protection stays',
    device: [
      'pack protection',
      'protection board',
      'bms',
      'pack identity',
      'pack interlock',
      'cell protection',
      'charge protection',
    ],
    reason: 'It is what keeps a cell from burning; no tool is worth the bench.',
    instead: 'Measure the line with the pack out; try a known good pack.',
  },
];
