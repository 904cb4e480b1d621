/**
 * Cautions by what is about to be done. Common practice of the trade and of workshops; where a limit is
 * named its origin stands with it. They defer to local rules and to licensed practice.
 */
import { z } from 'zod';
import { said } from '../../words/index.js';

const text = z.string().min(1).transform(said);

export const cautionSchema = z.object({
  id: z.string().regex(/^[a-z-]+$/),
  text,
  why: text,
  /** Words in a typed line, a mend or a test that call it up. */
  words: z.array(z.string().min(1)).min(1),
});
export type Caution = z.infer<typeof cautionSchema>;

export const CAUTION_DATA: readonly Caution[] = [
  {
    id: 'flashing',
    text: 'Flashing light: ask who is in the room; keep fingers off what seems to stand still',
    why: 'Strobe light can start a seizure, and makes a turning fan or pulley look at rest.',
    words: ['strobe', 'flashing', 'stroboscope'],
  },
  {
    id: 'solvent',
    text: 'Solvent: open window or extraction, no flame, no power until it is dry',
    why: 'Its vapour lies on the bench and is lit by a brush or a switch.',
    words: ['solvent', 'alcohol', 'isopropyl', 'naphtha', 'cleaner', 'flush', 'degrease', 'acetone'],
  },
  {
    id: 'chlorinated',
    text: 'No chlorinated cleaner',
    why: 'It eats plastics and winding enamel, and hot it gives off poison.',
    words: ['chlorinated', 'trichlor', 'brake cleaner'],
  },
  {
    id: 'spring',
    text: 'Glasses on; hold the cap while it comes free',
    why: 'Brush caps, circlips and levers under spring fly.',
    words: ['spring', 'brush cap', 'circlip', 'clip', 'brushes', 'e-ring'],
  },
  {
    id: 'magnet',
    text: 'Soldering gun well away from rotor, ring magnet and Hall chip',
    why: 'Its field erases a pole: one bump a turn for ever. Heat away from the part and use what is left in the tip.',
    words: ['solder', 'desolder', 'unsolder', 'resolder'],
  },
  {
    id: 'hot-air',
    text: 'Hot air: shield plastics and capacitors, let the pack be elsewhere',
    why: 'At 320 °C a housing melts long before the joint does.',
    words: ['hot air', 'heat gun', 'reflow'],
  },
  {
    id: 'potting',
    text: 'Cut potting cold, under extraction; never burn it',
    why: 'Heated polyurethane gives off isocyanates: asthma for life.',
    words: ['potting', 'potted', 'compound'],
  },
  {
    id: 'tar',
    text: 'Gloves: belt turned to tar',
    why: 'It stains skin and cloth for days and spreads to every pulley it is carried to. Dry first, then alcohol.',
    words: ['tar', 'melted belt', 'gooey', 'sticky belt'],
  },
  {
    id: 'tip',
    text: 'Two people to tip it, blocks at hand',
    why: 'A drum, a transformer or a plinth goes on moving once past its balance.',
    words: ['tilt', 'tip', 'turn over', 'turned over', 'lay on'],
  },
  {
    id: 'backfeed',
    text: 'Lift wires unplugged, insulate both ends',
    why: 'A wire lifted at one end can be fed from the other: it is live until proved.',
    words: ['lift', 'lifted', 'backfeed', 'back-feed', 'wire off'],
  },
  {
    id: 'cold-spray',
    text: 'Cold spray that does not burn, never at sparking brushes',
    why: 'Some propellants are fuel.',
    words: ['cold spray', 'freeze', 'freezer'],
  },
  {
    id: 'blade',
    text: 'Blade off or guarded before the motor is turned',
    why: 'A hand-turned motor can run on by itself when its capacitor still holds charge.',
    words: ['blade', 'chain', 'impeller', 'fan'],
  },
  {
    id: 'loose-motor',
    text: 'Never run the bare motor loose, and no series motor without its load on full mains',
    why: 'The starting torque kicks it off the bench; without its fan it overspeeds and can burst.',
    words: ['motor alone', 'bare motor', 'bench run', 'motor out'],
  },
  {
    id: 'cradle',
    text: 'A mains motor in a soft insulated cradle, terminals covered, never in the hand',
    why: 'The case is at mains potential when its insulation fails.',
    words: ['cradle', 'motor mounted', 'hold the motor'],
  },
  {
    id: 'penetrating',
    text: 'No penetrating spray in a bearing',
    why: 'It washes the oil out and dries to varnish.',
    words: ['penetrating', 'spray oil'],
  },
  {
    id: 'cell',
    text: 'Never solder on a cell, trickle a flat one back, or join unequal packs',
    why: 'Lithium cells under 2.0 V have grown copper inside and short later, under charge.',
    words: ['cell', 'pack open', 'lithium', 'balance'],
  },
  {
    id: 'isolation',
    text: 'Isolation transformer first, the variable one after it',
    why: 'A variable transformer alone does not isolate: its output is tied to the mains.',
    words: ['variable transformer', 'bring up', 'brought up'],
  },
  {
    id: 'earthed-scope',
    text: 'No earthed oscilloscope on a board that rides on the mains',
    why: 'The probe clip is earth: it shorts the mains through the scope.',
    words: ['scope', 'oscilloscope'],
  },
];
