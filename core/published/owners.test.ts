/**
 * What the owner of a machine with one known fault says when it is brought in: written from what such a fault does to
 * the machine in use, before the machines were asked (common practice, no source); where one said otherwise and was right (a
 * pulley that slips surges, a regulator that gives way warm leaves a servo enough) the line was put right.
 */
import { describe, expect, it } from 'vitest';
import * as marking from '../src/marking/index.js';

/** Words of the owner, by what a careful person would call it. */
const WORDS = {
  dead: /dead|does nothing|dark|no button|light (at the rim )?does not come on/,
  still: /stands|not turn|dead|does nothing|nothing turns|no tape moves|no button|does not (play|spin|turn)|hums/,
  tingles: /tingles/,
  slow: /too slow|comes up to speed|comes to its speed|until it has run|gets slower/,
  fast: /too fast|races|runs away|runs fast|full speed/,
  singles: /[Ss]ingles/,
  wavers: /waver|warbles|surges|wanders? /,
  warm: /as it gets warm|after a while|after ten minutes|half an hour|only when it is warm/,
  noise: /noise|rumbles|rattles|roars|loud|hums|buzzes|grinds/,
  light: /light|lamp|display/,
  weak: /no strength|gives up|wet|slow|sparks|not pick up/,
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

/** More of them, by what such a fault comes to in use. */
const SUPPLY_SAID = 'joint-warm=warm rail-shorted=still';
const BRUSHED_SAID = 'hall-unplugged=fast governor-warm=warm governor-drift=wrong brushes-lifted=still';
const MORE: Readonly<Record<string, string>> = {
  'turntable-dc': `${SUPPLY_SAID} ${BRUSHED_SAID} tripped=still wipers-dirty=wavers pitch-dirty=wavers pitch-off=wrong
    pulley-slips=wavers pulley-bent=wavers`,
  'turntable-ac': 'dropper-open=still winding-open=still bearing-dry=noise pulley-slips=slow',
  'rim-drive': 'switch-open=dead idler-dry=slow platter-worn=noise neutral=still linkage-bent=slow',
  mixer: 'seized=still commutator-black=sparks bearing-dry=noise brushes-weak=sparks',
  vacuum: 'pole=dead link=dead fan-loose=weak commutator-black=sparks seized=still',
  'cordless-tool':
    'brushes-gone=dead seized=still commutator-black=sparks bearing-dry=noise brushes-weak=sparks gear-dry=noise',
  'brushless-tool':
    'interlock-open=dead main-burnt=dead pot-open=still hall-dead=kicks winding-open=kicks bearing-worn=noise',
  'washer-top': 'sensor-rail=stutters',
  'servo-deck': `${SUPPLY_SAID} trim-33=wrong trims-dirty=wavers pitch-dirty=wavers chip-warm=warm hall-weak=warm timing-aged=wrong`,
  'quartz-deck': `${SUPPLY_SAID} hall-weak=warm lock-dead=still`,
  'cassette-direct': `${SUPPLY_SAID} trim-off=wrong tyre-glazed=eats`,
  'cassette-deck': `${SUPPLY_SAID} ${BRUSHED_SAID} feeder-open=still belt-slips=slow belt-wound=still tyre-glazed=winds hall-dead=fast
    leads-crossed=still jammed=still`,
  'reel-deck': `${SUPPLY_SAID} capacitor-open=still motor-seized=still pinch-hard=wavers belt-slips=slow other-step=wrong`,
  'video-recorder': 'servo-dead=still heads-dirty=snow',
};

const UNITS = 5;

describe.each(marking.MAPS.map(({ machine }) => [machine.id, machine] as const))(
  '%s: what its owner says',
  (id, machine) => {
    const facts = `${SAID[id] ?? ''} ${MORE[id] ?? ''}`
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

/** Of a small supply, of a motor with brushes and its governor, of a direct drive, of a universal motor, of three windings on a bridge. */
const SMALL_SUPPLY = `cord-open:secondary.Vac< cord-open:cord.itself.ohm> cord-open:board.V< fuse-aged:fuse.ohm> fuse-aged:secondary.Vac<
    lead-on-case:insulation.Mohm< lead-on-case:tingles> primary-open:primary.ohm> primary-open:secondary.Vac< turns-shorted:primary.ohm<
    wrong-tap:secondary.Vac< wrong-tap:reservoir.V< reservoir-dry:reservoir.ripple.Vpp> diode-open:reservoir.ripple.Vpp>
    diode-open:reservoir.V< diodes-open:reservoir.V< rail-shorted:rail.ohm< rail-shorted:reservoir.V< regulator-open:board.V<
    reference-low:board.V< regulator-through:board.V> joint-warm:board.V<@warm regulator-warm:board.V<@warm`;
const BRUSHED = `governor-dead:motor.V< governor-through:motor.V> governor-through:motor.rpm> hall-dead:hall.toggles<
    hall-unplugged:hall.plug.off> magnet-loose:magnet.loose> brushes-worn:motor.ohm> brushes-lifted:motor.ohm> bearing-gummed:motor.A>
    bearing-gummed:shaft.drag.times> bearing-stiff:motor.A> bearing-stiff:shaft.drag.times> bearing-noisy:shaft.rough>
    bearing-noisy:motor.roughness> retainer:shaft.click> winding-open:motor.ohm> winding-open:motor.rpm< leads-crossed:leads.crossed>
    jammed:motor.rpm< jammed:shaft.drag.times> jammed:motor.A>`;
const DIRECT_DRIVE = `hall-dead:hall.stuck> chip-dead:chip.dead> chip-dead:rotor.rpm< chip-leg:chip.leg> fg-lost:fg.lost> fg-lost:rotor.rpm>
    fg-gap:fg.gap.mm> fg-gap:fg.part< fg-scar:fg.scar> coil-plug:coil.plug.off> coil-plug:rotor.rpm< bearing-dry:bearing.coast.s<`;
const UNIVERSAL = `brushes-short:brush.mm< brushes-weak:brush.mm< brushes-weak:sparks> brushes-gone:brush.mm< brush-stuck:brush.stuck>
    bar-open:armature.bars.differ> bar-open:sparks> commutator-black:commutator.black> commutator-black:sparks> bearing-dry:shaft.rough>
    bearing-dry:motor.roughness> bearing-stiff:shaft.drag.times> seized:shaft.drag.times>`;
const MAINS_UNIVERSAL = `${UNIVERSAL} cord-open:cord.itself.ohm> cord-open:mains.V< lead-on-case:cord.leak.Mohm< control-open:motor.V<
    control-shorted:control.ohm< control-shorted:motor.V>@low control-half:motor.V< control-half:shaft.rpm< brushes-gone:shaft.rpm<
    field-open:field.ohm> field-open:shaft.rpm< bearing-stiff:motor.A> seized:shaft.rpm< seized:motor.A>
    winding-leaks:winding.leak.Mohm< winding-leaks:insulation.Mohm<`;
const BRIDGE = `switch-shorted:bridge.least.V< switch-open:bridge.most.V> winding-case:winding.case.Mohm< wire-broken:harness.worst.ohm>
    plug-off:harness.off> plug-off:motor.rpm< bearing-worn:shaft.rough>`;

/**
 * What a fault makes less (<) or more (>) of than a sound one of the same make has: "fault:quantity<@how it stands". A
 * blocked cleaner has less air to move: it speeds up and sucks less.
 */
const CHANGED: Readonly<Record<string, string>> = {
  'turntable-dc': `${SMALL_SUPPLY} ${BRUSHED} bearing-dry:bearing.coast.s< bearing-worn:bearing.play.mm> belt-slips:platter.rpm<
    belt-off:motor.A< lamp:lamp< tripped:return.tripped> tripped:platter.rpm< contact-33:contact.33.ohm> contact-45:contact.45.ohm>
    governor-weak:motor.V<@45 low-33:platter.rpm< high-33:platter.rpm> low-both:platter.rpm< low-both:motor.V< low-45:platter.rpm<@45 high-45:platter.rpm>@45
    pulley-slips:platter.rpm< pulley-slips:pulley.turns.on.shaft> pulley-bent:pulley.runout> pulley-bent:wow.pulley.percent>
    belt-slips:belt.slack> belt-off:belt.there< belt-off:platter.rpm< belt-stiff:belt.stiff> belt-stiff:wow.belt.percent>
    bearing-worn:rumble> platter-seat:platter.runout.mm> record:wow.platter.percent>`,
  'turntable-ac': `capacitor-weak:hum> mount-hard:buzz.plinth> cord-open:cord.itself.ohm> cord-open:platter.rpm<
    lead-on-case:cord.leak.Mohm< lead-on-case:insulation.Mohm< switch-open:switch.on.ohm> switch-ohms:switch.on.ohm>
    switch-welded:switch.off.ohm< spark-capacitor:switch.off.ohm< capacitor-open:capacitor.part< capacitor-open:platter.rpm<
    dropper-open:dropper.ohm> dropper-open:motor.rpm< turns-shorted:winding.a.ohm< winding-leaks:winding.leak.Mohm<
    bearing-gummed:shaft.drag.times> bearing-dry:knock> bearing-dry:shaft.rough> seized:motor.rpm< seized:shaft.drag.times>
    end-cap:cap.loose> pulley-slips:pulley.slips> pulley-slips:platter.rpm< pulley-mains:platter.rpm< pulley-mains:pulley.mm<
    belt-slips:platter.rpm< belt-slips:belt.slack> belt-stiff:wow.belt.percent> belt-off:belt.there< belt-off:platter.rpm<
    platter-dry:bearing.coast.s< platter-worn:rumble> platter-worn:bearing.play.mm>`,
  'rim-drive': `flat:thump> switch-open:switch.ohm> capacitors-dry:amplifier.hum> amplifier-dead:amplifier.loud< field-open:field.ohm>
    field-open:platter.rpm< field-shorted:field.ohm< field-leaks:winding.leak.Mohm< gummed:platter.rpm< gummed:shaft.drag.times>
    gummed:start.percent> seized:platter.rpm< seized:shaft.drag.times> worn:motor.rattle> worn:shaft.rattle> lever-stiff:lever.stiff>
    linkage-bent:linkage.bent> linkage-bent:platter.rpm<@78 neutral:platter.rpm< flat:idler.flat> glazed:idler.glaze>
    glazed:platter.rpm< idler-dry:idler.stiff> idler-dry:platter.rpm< rim-oily:rim.oil> rim-oily:platter.rpm<
    platter-dry:bearing.coast.s< platter-worn:bearing.play.mm> platter-worn:rumble.by.hand>`,
  'servo-deck': `${SMALL_SUPPLY} ${DIRECT_DRIVE} unseated:unseated> lamp:lamp.ohm> lamp:lamp< contact-33:contact.33.ohm>
    contact-45:contact.45.ohm> pitch-open:pitch.ohm> comparator-dead:rotor.rpm< comparator-dead:control.V< comparator-full:rotor.rpm>
    comparator-full:control.V>`,
  'quartz-deck': `${SMALL_SUPPLY} ${DIRECT_DRIVE} zener-low:zener.V< crystal-dead:rotor.rpm< crystal-dead:crystal.part<
    crystal-mode:crystal.part< divider-dead:reference.part< lock-dead:rotor.rpm< slider-end:slider.end> oscillator-dead:oscillator.part<
    detent-open:detent.never.closes> detent-shut:detent.never.opens>`,
  'cassette-direct': `${SMALL_SUPPLY} ${DIRECT_DRIVE} display-dead:lamps.ohm> display-dead:lamps< system-dead:order.V< leaked:board.wet>
    salts:board.salts> servo-dead:rotor.rpm< servo-full:rotor.rpm> pinch-hard:pinch.hard> pinch-hard:warble.percent>
    tyre-glazed:idler.tyre< reel-dead:reel.take-up.part<`,
  'cassette-deck': `${SMALL_SUPPLY} ${BRUSHED} governor-weak:motor.V<@9.5 capstan-dry:capstan.coast.s< tyre-glazed:reel.wind.part<@wind
    clutch-weak:reel.take-up.part< pinch-hard:warble.percent> mode-switch:mode.switch.dirty> mode-motor:mode.motor.gone>
    feeder-open:feeder.ohm> feeder-open:motor.rpm< feeder-weak:feeder.weak> double-stuck:double.stuck> double-open:double.open>
    double-open:tape.error.percent<@9.5 trim-low:trim.at< trim-low:motor.rpm< trim-high:trim.at> trim-high:motor.rpm>
    belt-slips:belt.slack> belt-slips:tape.error.percent< belt-tar:belt.tar> belt-wound:belt.wound> oxide:pinch.oxide>
    oxide:warble.percent> arm-off:pinch.off> tyre-glazed:idler.tyre< tyre-gone:idler.tyre< clutch-weak:idler.clutch<
    counter:counter.still>`,
  'reel-deck': `${SMALL_SUPPLY} capstan-dry:flywheel.coast.s< holdback-high:holdback.gram> brakes-worn:stop.part<
    take-up-reel-weak:wind.part< supply-reel-weak:rewind.part< supply-reel-dead:holdback.gram< lamp-dead:lamps.ohm> lamp-dead:lamps<
    relay-dead:order.V< end-switch:end.switch.ohm> pole-open:pole.open> pole-stuck:pole.stuck> capacitor-open:capacitor.part<
    capacitor-open:motor.rpm< motor-gummed:shaft.drag.times> motor-dry:shaft.rough> motor-dry:motor.knock> motor-seized:motor.rpm<
    motor-seized:shaft.drag.times> belt-slips:capstan.error.percent< belt-slips:belt.slack> belt-off:belt.there<
    belt-off:capstan.error.percent< pinch-hard:pinch.hard> pinch-hard:warble.percent> solenoid:pinch.home<
    holdback-high:supply-reel.resistor.part> supply-reel-weak:supply-reel.capacitor.part< supply-reel-dead:supply-reel.ohm>
    take-up-reel-weak:take-up-reel.capacitor.part< take-up-reel-dead:take-up-reel.ohm> take-up-reel-resistor:take-up.part<
    supply-reel-resistor:holdback.gram<`,
  mixer: `${MAINS_UNIVERSAL} grease-hard:shaft.rpm< bearing-stiff:motor.A> switch-open:switch.ohm> filter-burst:filter.burst>
    pickup-open:pickup.ohm> pickup-open:shaft.rpm>@low gap-wide:pickup.gap.mm> gap-wide:shaft.rpm>@low linkage:linkage.slips>
    gear-stripped:gear.stripped> gear-stripped:bowl.rpm< grease-hard:grease.times> grease-hard:motor.A> mounts-torn:mounts.torn>
    feet-hard:feet.hard>`,
  vacuum: `${MAINS_UNIVERSAL} blocked:shaft.rpm> blocked:suction< blocked:air< blocked:motor.A< seal:suction< seal:seal.off>
    bearing-stiff:shaft.rpm< bearing-stiff:suction< reel-open:reel.ohm> reel-open:motor.V< reel-pitted:reel.ohm> lamp:lamp.ohm>
    lamp:lamp< pole:pole.ohm> pole:motor.V< protector:shaft.rpm<@warm link:link.ohm> link:motor.V< contact-burnt:switch.ohm>
    boost-low:boost.low.ohm> boost-open:boost.high.ohm> fan-loose:fan.slips> fan-loose:suction<`,
  'cordless-tool': `${UNIVERSAL} pack-flat:pack.V< cell-weak:pack.ohm> cell-weak:motor.rpm<@loaded cell-swollen:pack.swollen>
    contacts-burnt:contacts.ohm> contacts-burnt:feed.V<@loaded main-burnt:main.ohm> main-burnt:motor.V< track-worn:track.worn>
    trigger-open:motor.V< trigger-shorted:control.ohm< reverse-dead:reverse.ohm> forward-dead:forward.ohm> forward-dead:spindle.rpm<
    reverse-burnt:reverse.ohm> gear-stripped:gear.stripped> gear-stripped:spindle.rpm< gear-dry:gear.times> gear-dry:gears.grind>
    gear-jammed:spindle.rpm< gear-jammed:gear.jammed> seized:spindle.rpm<`,
  'brushless-tool': `${BRIDGE} pack-flat:pack.V< cell-weak:pack.ohm> cell-swollen:pack.swollen> interlock-open:interlock.ohm>
    interlock-open:motor.rpm< main-burnt:main.ohm> fuse-open:fuse.ohm> fuse-open:controller.V< bulk-dry:bulk.esr.ohm>
    logic-dead:logic.ohm< logic-dead:reference.V< gate-dead:gate.differs> pot-open:pot.ohm> pot-open:motor.rpm< jammed:fan.jammed>
    jammed:fan.rpm< fan-slips:fan.slips> fan-slips:fan.rpm< magnet-loose:magnet.loose>`,
  'washer-top': `${BRIDGE} belt-slips:basket.rpm<@spin console-dead:console.ohm> console-dead:lamps< lid-open:lid.ohm> lid-open:locked<
    pump-blocked:pump.blocked> heap:heap.kg> rod-off:basket.tilts>@spin board-dead:board.dead> board-dead:basket.rpm<@spin
    drive-fuse:drive.fuse.ohm> drive-fuse:bus.V< drive-dry:drive.esr.ohm> sensor-rail:sensor.feed.V< sensor-loose:sensor.gap.mm>
    sensor-pins:sensor.pins.ohm> sensor-dead:sensor.toggles< sensor-unplugged:sensor.unplugged> belt-slips:belt.slack>
    belt-off:belt.there< belt-off:basket.rpm<@spin`,
  'washer-front': `${BRIDGE} belt-slips:drum.part<@spin pressure-burnt:wash.Vac< panel-dark:panel.ohm> panel-dark:lamps<
    timer-stuck:timer.stuck> timer-stuck:timer.runs< timer-contact:timer.ohm> door-open:door.ohm> valve-shut:valve.shut>
    valve-shut:fills< pressure-stuck:pressure.stuck> pressure-burnt:pressure.ohm> pump-dead:pump.dead> pump-dead:pump.runs<
    board-fuse:fuse.ohm> board-fuse:bus.V< bus-dry:bus.esr.ohm> seized:seized> sensor-misses:sensor.pulses< sensor-dead:sensor.pulses<
    belt-off:belt.there< belt-off:drum.part< drum-bearing:drum.play.mm> object:drum.object>`,
  'video-recorder': `heads-worn:picture.dB<@play heads-dirty:picture.dB<@play supply-low:rail.V< supply-dead:supply.dead>
    supply-dead:rail.V< supply-shorted:supply.shorted> supply-low:supply.capacitor.ohm> display-dead:display.dead> display-dead:display<
    dew-wet:dew.ohm> dew-wet:dew.warns> mode-dirty:contact.ohm> mode-dirty:mode.oxidised> mode-unsoldered:mode.unsoldered>
    mode-phase:mode.phase> loading-dead:loading.dead> loading-dead:threaded< loading-belt:loading.slips> loading-jam:loading.jam>
    drum-dead:drum.part< disturbed:field> heads-dirty:heads.dirt< heads-worn:heads.level< servo-dead:rotor.rpm< fg-track:fg.track.open>
    fg-head:fg.head.dead> fg-plug:fg.plug.off> fg-head:rotor.rpm> control-dirty:control.head.dirty> control-dirty:control.pulses<
    capstan-dry:bearing.coast.s< capstan-wound:capstan.wound> pinch-hard:pinch.hard> guides-off:guide.wander>
    guides-off:tape.unsteady.percent> tyre-glazed:idler.tyre<`,
};

/** How it stands when it is looked at: a setting, or what a hand brings about, or a mode. */
const stood = (settings: readonly string[], how: string) =>
  how === ''
    ? {}
    : how === 'warm'
      ? { warm: 1 }
      : /^(loaded|tapped|damp)$/.test(how)
        ? { [how]: true }
        : settings.includes(how)
          ? { setting: how }
          : { mode: how };

describe.each(Object.entries(CHANGED))('%s against a sound one of the same make', (id, facts) => {
  const machine = marking.MAPS.find((map) => map.machine.id === id)?.machine;

  it.each(facts.trim().split(/\s+/))('%s', (fact) => {
    const [, fault = '', quantity = '', sign, how = ''] = /^([^:]+):([^<>]+)([<>])@?(.*)$/.exec(fact) ?? [];
    const seen = (faults: readonly string[], seed: number) =>
      machine?.unit(faults, seed).see(quantity, stood(machine.settings, how)).mean ?? NaN;
    const seeds = Array.from({ length: UNITS }, (_, i) => 7_919 * (i + 1));
    const by = seeds.map((seed) => (sign === '>' ? 1 : -1) * (seen([fault], seed) - seen([], seed)));
    expect(by.filter((difference) => difference > 0).length, by.join(' ')).toBeGreaterThan(UNITS - 2);
  });
});
