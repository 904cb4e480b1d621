/** Cord, transformer, rectifier and regulator of a small deck. Common practice, with no published source. */
import { block, looks, measure, mode, reads, repair, row, signal } from '../path/build.js';
import { liveAt, type PathPart, type Reach } from './part.js';

interface Rails extends Reach {
  readonly origin: string;
  /** Bands of the reservoir and of the regulated supply, as measure() takes them. */
  readonly raw: readonly string[];
  readonly supply: readonly string[];
}

/** From the plug to the regulated supply; signals feed, ac, raw, ripple, supply. */
export function linearSupply(rails: Rails): PathPart {
  const live = { ...liveAt(rails), handsMin: 2 };
  const { level, origin } = rails;
  return {
    signals: [
      signal('feed', 'feed to the transformer', ['none', 'right'], 'none'),
      signal('ac', 'a.c. from transformer or adapter', ['none', 'low', 'right'], 'none'),
      signal(
        'raw',
        'reservoir',
        ['none', 'low', 'rippled', 'right'],
        'none',
        measure('reservoir', 'V', origin, ...rails.raw),
      ),
      signal(
        'ripple',
        'ripple on the reservoir',
        ['small', 'large'],
        'small',
        measure('reservoir, peak to peak', 'V', origin, 'small * 1', 'large 1 8'),
      ),
      signal(
        'supply',
        'regulated supply',
        ['none', 'low', 'unsteady', 'right', 'high'],
        'none',
        measure('supply at the board', 'V', origin, ...rails.supply),
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
        [mode('open', 'cord, plug, switch or fuse open', 0.03, [row({}, { feed: 'none' })])],
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
          mode('shorted', 'shorted turns', 0.01, [row({ feed: 'right' }, { ac: 'low' })]),
          mode('tap', 'voltage selector or step-down wrong', 0.015, [row({ feed: 'right' }, { ac: 'low' })]),
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
            row({ ac: 'right' }, { raw: { low: 0.6, rippled: 0.4 }, ripple: 'large' }),
          ]),
          mode('open', 'diodes open', 0.01, [row({}, { raw: 'none' })]),
        ],
      ),
      block(
        'regulator',
        'regulator',
        'supply',
        ['raw'],
        ['supply'],
        [row({ raw: 'rippled' }, { supply: 'unsteady' }), row({}, { supply: '=raw' })],
        [
          mode('open', 'regulator open', 0.02, [row({}, { supply: 'none' })]),
          mode('low', 'regulator low', 0.03, [row({ raw: ['right', 'rippled'] }, { supply: 'low' })]),
          mode('through', 'regulator shorted through', 0.01, [row({ raw: ['right', 'rippled'] }, { supply: 'high' })]),
          mode('warm', 'regulator gives way when warm', 0.02, [
            row({ '@heat': 'warm', raw: ['right', 'rippled'] }, { supply: 'low' }),
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
        ['through: healthy', 'open: open'],
        { level, handsMin: 2 },
      ),
      looks(
        'transformer-look',
        'Transformer and its selector',
        'Unplugged. Ohms of primary and secondary; which mains is it set and made for?',
        'transformer',
        ['through and set right: healthy, shorted', 'open: open', 'set wrong: tap'],
        { level, handsMin: 3 },
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
    repairs: [
      repair('cord', 'Renew cord, plug, switch or fuse', ['plug.open'], 20, level, { money: 8 }),
      repair('transformer', 'Set the selector, or renew the transformer', ['transformer.*'], 25, level, { money: 20 }),
      repair('rectifier', 'Renew diodes and reservoir', ['rectifier.*'], 25, level, { money: 6 }),
      repair('regulator', 'Renew the regulator', ['regulator.*'], 25, level, { money: 4 }),
    ],
  };
}
