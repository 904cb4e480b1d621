/**
 * What the owner of a machine with one known fault says when it is brought in: written from what such a fault does to
 * the machine in use, before the machines were asked (common practice, no source).
 */
import { describe, expect, it } from 'vitest';
import * as marking from '../src/marking/index.js';

/** Words of the owner, by what a careful person would call it. */
const WORDS = {
  dead: /dead|does nothing|dark|no button|light (at the rim )?does not come on/,
  still: /stands|dead|does nothing|nothing turns|no tape moves|no button|does not (play|spin|turn)|hums/,
  tingles: /tingles/,
  slow: /too slow|comes up to speed|comes to its speed|until it has run|gets slower/,
  fast: /too fast|races|runs away|runs fast|full speed/,
  singles: /[Ss]ingles/,
  wavers: /waver|warbles|surges/,
  warm: /as it gets warm|after a while|after ten minutes|half an hour|only when it is warm/,
  noise: /noise|rumbles|rattles|roars|loud|hums|buzzes/,
  light: /light|lamp|display/,
  weak: /no strength|gives up|wet|slow|sparks/,
  sparks: /sparks|no strength/,
  winds: /does not wind|winds badly/,
  eats: /eats the tape|throws the tape/,
  apart: /motor turns, the platter stands|motor runs, the beater stands|motor runs, the chuck stands/,
  wrong: /too (slow|fast)/,
  silent: /silent/,
  humming: /hums/,
  thumps: /thumps/,
  lever: /lever/,
  bang: /bang/,
  walks: /wanders about/,
  highOnly: /high only/,
  fat: /fat/,
  forwardOnly: /not turn backward/,
  backwardOnly: /backward only/,
  kicks: /kicks|nothing/,
  full: /water stays/,
  open: /does not lock/,
  stutters: /starts and stops/,
  wet: /wet/,
  dry: /No water/,
  floods: /water does not stop/,
  sticks: /programme stands/,
  jerks: /jerks/,
  squeals: /squeals/,
  stopsSoon: /stops after a few seconds/,
  double: /double speed/,
  deaf: /no button/,
  playless: /does not play/,
  slowSpeed: /slow speed/,
  rewinds: /rewinds badly/,
  loops: /loops/,
  damp: /damp/,
  refuses: /takes no tape/,
  ejects: /gives it back/,
  bars: /Bars run/,
  snow: /noise/,
} as const satisfies Record<string, RegExp>;

/** What every small deck's owner says of its supply, and what one of a direct drive says besides. */
const SUPPLY =
  'cord-open=dead fuse-aged=dead lead-on-case=tingles primary-open=dead diodes-open=still regulator-open=still';
const DIRECT = `${SUPPLY} chip-dead=still coil-plug=still`;

/** "fault=what is said of it", by machine. */
const SAID: Readonly<Record<string, string>> = {
  'turntable-dc': `${SUPPLY} governor-dead=still governor-through=fast hall-dead=fast winding-open=still leads-crossed=still
    jammed=still bearing-noisy=noise retainer=noise lamp=light contact-33=still contact-45=singles
    low-33=slow high-33=fast low-both=slow low-45=singles high-45=singles belt-slips=slow belt-off=still
    belt-stiff=wavers record=wavers platter-seat=wavers bearing-worn=noise`,
  'turntable-ac': `cord-open=dead switch-open=dead lead-on-case=tingles winding-leaks=tingles capacitor-open=still
    seized=still belt-off=apart belt-slips=slow belt-stiff=wavers platter-worn=noise mount-hard=noise
    pulley-mains=wrong`,
  'rim-drive': `cord-open=dead lead-on-case=tingles field-leaks=tingles field-open=still seized=still
    amplifier-dead=silent capacitors-dry=humming gummed=slow glazed=slow rim-oily=slow flat=thumps worn=noise
    lever-stiff=lever`,
  mixer: `cord-open=dead switch-open=dead lead-on-case=tingles brushes-gone=dead field-open=dead control-open=dead
    control-shorted=fast pickup-open=fast gap-wide=fast bar-open=sparks filter-burst=bang gear-stripped=apart
    feet-hard=walks mounts-torn=walks`,
  vacuum: `cord-open=dead reel-open=dead lead-on-case=tingles brushes-gone=still boost-low=highOnly protector=warm
    lamp=light`,
  'cordless-tool': `pack-flat=dead main-burnt=dead trigger-open=dead cell-swollen=fat trigger-shorted=fast
    reverse-dead=forwardOnly forward-dead=backwardOnly gear-stripped=apart gear-jammed=still cell-weak=weak
    bar-open=sparks`,
  'brushless-tool': `pack-flat=dead fuse-open=dead logic-dead=dead cell-swollen=fat jammed=kicks`,
  'washer-top': `cord-open=dead console-dead=dead lead-on-case=tingles pump-blocked=full lid-open=open drive-fuse=still
    belt-off=still sensor-dead=stutters sensor-unplugged=stutters belt-slips=wet bearing-worn=noise`,
  'washer-front': `cord-open=dead lead-on-case=tingles pump-dead=full valve-shut=dry pressure-stuck=floods
    timer-stuck=sticks board-fuse=still logic-dead=still belt-off=still belt-slips=wet sensor-dead=jerks
    drum-bearing=noise object=squeals panel-dark=light`,
  'servo-deck': `${DIRECT} lamp=light fg-lost=fast comparator-dead=still comparator-full=fast contact-33=still contact-45=singles
    timing-warm=warm`,
  'quartz-deck': `${DIRECT} crystal-dead=still divider-dead=still fg-lost=fast`,
  'cassette-direct': `${DIRECT} system-dead=still servo-dead=still servo-full=fast reel-dead=eats display-dead=light fg-lost=fast`,
  'cassette-deck': `${SUPPLY} governor-dead=still governor-through=fast winding-open=still trim-low=slow trim-high=fast
    counter=stopsSoon tyre-gone=winds clutch-weak=eats pinch-hard=wavers oxide=wavers double-stuck=double
    double-open=double bearing-noisy=noise`,
  'reel-deck': `${SUPPLY} relay-dead=deaf end-switch=deaf belt-off=playless solenoid=playless pole-stuck=slowSpeed
    take-up-reel-dead=winds supply-reel-dead=rewinds holdback-high=slow brakes-worn=loops lamp-dead=light`,
  'video-recorder': `cord-open=dead supply-dead=dead lead-on-case=tingles display-dead=light dew-wet=damp
    mode-unsoldered=refuses mode-phase=ejects system-dead=refuses loading-dead=refuses loading-jam=ejects
    fg-head=fast fg-plug=fast fg-track=fast chip-dead=still capstan-wound=still control-dirty=bars
    heads-worn=snow tyre-glazed=winds servo-warm=warm`,
};

const UNITS = 5;

describe.each(marking.MAPS.map(({ machine }) => [machine.id, machine] as const))(
  '%s: what its owner says',
  (id, machine) => {
    const facts = (SAID[id] ?? '')
      .trim()
      .split(/\s+/)
      .map((one) => one.split('=') as [string, keyof typeof WORDS]);

    it.each(facts)('%s: %s', (fault, word) => {
      // One that hardly shows is not brought in.
      const brought = Array.from({ length: 6 * UNITS }, (_, i) => machine.unit([fault], 7_919 * (i + 1)).complaint);
      const said = brought.filter((one) => one !== null).slice(0, UNITS);
      expect(said.filter((one) => WORDS[word].test(one)).length, said.join(' ')).toBeGreaterThan(said.length / 2);
    });
  },
);

/** What a fault makes less (<) or more (>) of than a sound one of the same make has: "fault:quantity<@mode". A blocked cleaner has less air to move: it speeds up and sucks less. */
const CHANGED: Readonly<Record<string, string>> = {
  'turntable-dc': `bearing-dry:bearing.coast.s< bearing-worn:bearing.play.mm> belt-slips:platter.rpm< belt-off:motor.A<
    bearing-stiff:motor.A> reservoir-dry:reservoir.ripple.Vpp> diode-open:reservoir.ripple.Vpp>
    wrong-tap:secondary.Vac<`,
  'turntable-ac': `capacitor-weak:hum> mount-hard:buzz.plinth>`,
  'rim-drive': `flat:thump>`,
  'servo-deck': `bearing-dry:bearing.coast.s< fg-gap:fg.part<`,
  'quartz-deck': `bearing-dry:bearing.coast.s< zener-low:zener.V<`,
  'cassette-direct': `bearing-dry:bearing.coast.s<`,
  'cassette-deck': `capstan-dry:capstan.coast.s< tyre-glazed:reel.wind.part<@wind clutch-weak:reel.take-up.part<
    pinch-hard:warble.percent>`,
  'reel-deck': `capstan-dry:flywheel.coast.s< holdback-high:holdback.gram> brakes-worn:stop.part<
    take-up-reel-weak:wind.part< supply-reel-weak:rewind.part< supply-reel-dead:holdback.gram<`,
  mixer: `grease-hard:shaft.rpm< bearing-stiff:motor.A> brushes-weak:sparks>`,
  vacuum: `blocked:shaft.rpm> blocked:suction< seal:suction< bearing-stiff:shaft.rpm<`,
  'washer-top': `belt-slips:basket.rpm<@spin`,
  'washer-front': `belt-slips:drum.part<@spin pressure-burnt:wash.Vac<`,
  'video-recorder': `heads-worn:picture.dB<@play heads-dirty:picture.dB<@play supply-low:rail.V<`,
};

describe.each(Object.entries(CHANGED))('%s against a sound one of the same make', (id, facts) => {
  const machine = marking.MAPS.find((map) => map.machine.id === id)?.machine;

  it.each(facts.trim().split(/\s+/))('%s', (fact) => {
    const [, fault = '', quantity = '', sign, mode] = /^([^:]+):([^<>]+)([<>])@?(.*)$/.exec(fact) ?? [];
    const seen = (faults: readonly string[], seed: number) =>
      machine?.unit(faults, seed).see(quantity, mode ? { mode } : {}).mean ?? NaN;
    const seeds = Array.from({ length: UNITS }, (_, i) => 7_919 * (i + 1));
    const by = seeds.map((seed) => (sign === '>' ? 1 : -1) * (seen([fault], seed) - seen([], seed)));
    expect(by.filter((difference) => difference > 0).length, by.join(' ')).toBeGreaterThan(UNITS - 2);
  });
});
