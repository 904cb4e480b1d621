/** Cord, transformer, rectifier and regulator of a small deck. Common practice, with no published source. */
import { block, cause, looks, measure, readBy, mode, reads, repair, row, signal } from '../path/build.js';
import { LEAKS } from './firstLook.js';
import { liveAt, type PathPart, type Reach } from './part.js';

interface Rails extends Reach {
  readonly origin: string;
  /** Bands of the reservoir and of the regulated supply, as measure() takes them. */
  readonly raw: readonly string[];
  readonly supply: readonly string[];
  /** What it feeds runs at several speeds: a low supply may be enough for all but the fastest. */
  readonly speeds?: boolean;
}

/** States of a supply that feeds a governor, and what they read as: one that is short reads low. */
export const FEEDS = ['none', 'low', 'short', 'unsteady', 'right', 'high'] as const;
export const FEED_READS = { short: ['low'] };

/** From the plug to the regulated supply; signals feed, ac, raw, ripple, supply. */
export function linearSupply(rails: Rails): PathPart {
  const live = { ...liveAt(rails), handsMin: 2 };
  const { level, origin } = rails;
  const low = rails.speeds ? { low: 0.5, short: 0.5 } : 'low';
  return {
    signals: [
      signal('feed', 'feed to the transformer', ['none', 'right'], 'none'),
      signal('ac', 'a.c. from transformer or adapter', ['none', 'low', 'short', 'right'], 'none', null, {
        short: ['low'],
      }),
      signal(
        'raw',
        'reservoir',
        ['none', 'low', 'short', 'rippled', 'right'],
        'none',
        measure('reservoir', 'V', origin, ...rails.raw),
        // A meter shows the mean of what falls between two peaks.
        { rippled: ['rippled', 'rippled', 'low'], short: ['low'] },
      ),
      signal(
        'ripple',
        'ripple on the reservoir',
        ['small', 'large'],
        'small',
        readBy('scope', measure('reservoir, peak to peak', 'V', origin, 'small * 1', 'large 1 8')),
      ),
      signal(
        'supply',
        'regulated supply',
        rails.speeds ? FEEDS : FEEDS.filter((one) => one !== 'short'),
        'none',
        measure('supply at the board', 'V', origin, ...rails.supply),
        rails.speeds ? FEED_READS : {},
      ),
    ],
    blocks: [
      block(
        'plug',
        'plug and switch',
        'supply',
        [],
        ['feed'],
        [row({}, { feed: 'right' })],
        [
          mode('open', 'cord, plug or switch open', 0.025, [row({}, { feed: 'none' })]),
          mode('fuse', 'fuse open', 0.015, [row({}, { feed: 'none' })], { bans: 'fuse', marks: { blew: 0.6 } }),
          mode('frame', 'a lead of the cord reaches the metal', 0.004, [], { bans: 'frame', marks: LEAKS }),
        ],
      ),
      block(
        'transformer',
        'transformer',
        'supply',
        ['feed'],
        ['ac'],
        [row({}, { ac: '=feed' })],
        [
          mode('open', 'winding or its thermal link open', 0.02, [row({}, { ac: 'none' })]),
          mode('shorted', 'shorted turns', 0.01, [row({ feed: 'right' }, { ac: { low: 0.5, short: 0.5 } })], {
            bans: 'rails',
            marks: { burnt: 0.5, scorched: 0.4, blew: 0.4 },
          }),
          mode('tap', 'voltage selector or step-down wrong', 0.015, [
            row({ feed: 'right' }, { ac: { low: 0.5, short: 0.5 } }),
          ]),
        ],
      ),
      block(
        'rectifier',
        'rectifier',
        'supply',
        ['ac'],
        ['raw', 'ripple'],
        [row({}, { raw: '=ac', ripple: 'small' })],
        [
          mode('dry', 'reservoir dried out', 0.05, [row({ ac: 'right' }, { raw: 'rippled', ripple: 'large' })]),
          mode('half', 'one diode open', 0.02, [
            // A regulator that has volts to spare takes the ripple away.
            row({ ac: 'right' }, { raw: { low: 0.4, rippled: 0.3, right: 0.3 }, ripple: 'large' }),
          ]),
          mode('open', 'diodes open', 0.01, [row({}, { raw: 'none' })]),
          // A short of an ohm or two keeps a few volts, all ripple.
          mode(
            'shorted',
            'a diode, the reservoir or a rail shorted',
            0.012,
            [row({}, { raw: { none: 0.7, low: 0.3 }, ripple: { small: 0.7, large: 0.3 } })],
            { bans: 'rails', marks: { blew: 0.7, burnt: 0.3, scorched: 0.3 } },
          ),
        ],
      ),
      block(
        'regulator',
        'regulator',
        'supply',
        ['raw', 'ripple'],
        ['supply'],
        [
          row({ raw: 'rippled' }, { supply: 'unsteady' }),
          row({ raw: 'low', ripple: 'large' }, { supply: 'unsteady' }),
          // Of half the volts a regulator may still make its own.
          row({ raw: 'short' }, { supply: rails.speeds ? 'short' : 'right' }),
          row({}, { supply: '=raw' }),
        ],
        [
          mode('open', 'regulator open', 0.02, [row({}, { supply: 'none' })]),
          mode('low', 'regulator low', 0.03, [row({ raw: ['right', 'rippled'] }, { supply: low })]),
          mode('through', 'regulator shorted through', 0.01, [row({ raw: ['right', 'rippled'] }, { supply: 'high' })]),
          mode(
            'joint',
            'a cracked joint in the supply: comes and goes with warmth',
            0.015,
            [row({ '@heat': 'warm', raw: ['right', 'rippled'] }, { supply: 'none' })],
            { provoked: ['tap', 'heat', 'cold'] },
          ),
          mode('warm', 'regulator gives way when warm', 0.02, [
            row({ '@heat': 'warm', raw: ['right', 'rippled'] }, { supply: low }),
          ]),
        ],
      ),
    ],
    tests: [
      looks(
        'cord',
        'Cord, plug, switch and fuse',
        'Unplugged. Ohms from pin to pin, switch on; look at the fuse.',
        'plug',
        ['through: healthy', 'open: open', 'fuse open: fuse', 'a lead reaches the frame: frame'],
        { level, handsMin: 2 },
      ),
      looks(
        'transformer-look',
        'Transformer and its selector',
        'Unplugged. Ohms of primary and secondary; which mains is it set and made for?',
        'transformer',
        ['through and set right: healthy', 'open: open', 'low ohms, smells: shorted', 'set wrong: tap'],
        { level, handsMin: 3 },
      ),
      looks(
        'rails-ohms',
        'Diodes, reservoir and rails, dead',
        'Unplugged, reservoir measured empty. Ohms both ways across the reservoir and each rail to ground: they charge up, or stay near nought.',
        'rectifier',
        ['charges up: healthy, dry, half, open', 'stays near nought: shorted'],
        { level, handsMin: 3, reliability: 0.96, lifts: ['fuse', 'rails'] },
      ),
      reads(
        'ac-volts',
        'A.c. at the secondary',
        'Across the secondary, a.c.',
        'ac',
        ['none: none', 'low: low', 'right: right'],
        live,
      ),
      reads(
        'raw-volts',
        'Volts at the reservoir',
        'Across the reservoir capacitor, d.c.',
        'raw',
        ['none: none', 'low: low', 'right: right, rippled'],
        live,
      ),
      reads(
        'ripple-volts',
        'Ripple at the reservoir',
        'Across the reservoir, scope or a.c. range.',
        'ripple',
        ['small: small', 'large: large'],
        live,
      ),
      reads(
        'supply-volts',
        'Supply at the board',
        'Board supply to ground, d.c.',
        'supply',
        ['none: none', 'low: low', 'unsteady: unsteady', 'right: right', 'high: high'],
        live,
      ),
      reads(
        'supply-warm',
        'Supply at the board, warm',
        'The same after twenty minutes.',
        'supply',
        ['none: none', 'low: low', 'unsteady: unsteady', 'right: right', 'high: high'],
        { ...live, waitMin: 20, context: { heat: 'warm' } },
      ),
    ],
    causes: [
      cause('rectifier.shorted', 'plug.fuse', 0.45),
      cause('transformer.shorted', 'plug.fuse', 0.2),
      cause('rectifier.shorted', 'transformer.open', 0.2),
    ],
    repairs: [
      repair('cord', 'Renew cord, plug or switch', ['plug.open', 'plug.frame'], 20, level, { money: 8 }),
      repair('fuse', 'Renew the fuse with one of its rating', ['plug.fuse'], 5, level, { money: 1 }),
      repair(
        'voltage-selector',
        'Set the voltage selector, or the right step-down transformer',
        ['transformer.tap'],
        5,
        level,
        {
          money: 0,
          residual: 0.03,
        },
      ),
      repair('transformer', 'Renew the transformer', ['transformer.open', 'transformer.shorted'], 25, level, {
        money: 20,
      }),
      repair(
        'rectifier',
        'Renew diodes and reservoir (recap the set, or only what failed)',
        ['rectifier.*'],
        25,
        level,
        { money: 6 },
      ),
      repair('regulator', 'Renew the regulator', ['regulator.*'], 25, level, { money: 4 }),
      repair('joints', 'Reheat the joints of the supply, with new solder', ['regulator.joint'], 12, level, {
        residual: 0.1,
      }),
    ],
  };
}
