/** Limits of the log's lines, written out: a change of one is a change here. */

/** What the contract allows of each line, written out: whoever changes a limit changes it here too, on purpose. */
export const LIMITS = `
  reading.text: 0 to 400
  reading.values: at most 64
  reading.unit: 0 to 12
  reading.place: 0 to 400
  reading.speedId: 0 to 400
  reading.instrument: 1 to 60
  note.text: 1 to 4000
  speed.text: 0 to 400
  speed.speedId: 1 to 400
  speed.sourceName: 0 to 400
  speed.conditions: 0 to 400
  work.what: 1 to 400
  work.blocks: at most 40
  work.blocks[]: 1 to 400
  power.conditions: at most 20
  power.conditions[]: 0 to 400
  hold.prompt: 0 to 400
  place.place: 1 to 400
  strike.reason: 1 to 400
  field.field: 0 to 400
  field.from: 0 to 4000
  field.to: 0 to 4000
  hand-back.leftUndone: 0 to 4000
  safe.lineId: 1 to 64
  safe.text: 1 to 400
  charge.storeId: 1 to 64
  charge.name: 1 to 400
  charge.microfarad: above 0
  charge.volts: above 0
  charge.ohm: above 0
  charge.watts: above 0
  start-volts.volts: above 0
  gate.accepted: at most 100
  gate.accepted[].why: 1 to 400
  gate.inPlace: at most 60
  gate.inPlace[]: 0 to 64
  gate.shortOhm: from 0
  gate.limit fuse|lamp|current.value: above 0
  gate.limit fuse|lamp|current.unitWatts: above 0
  gate.confirmed: at most 20
  gate.confirmed[]: 0 to 64
  step.text: 0 to 400
  step.what: 1 to 400
  step.fasteners: at most 20
  step.fasteners[].count: from 1, to 999
  step.fasteners[].what: 1 to 400
  step.fasteners[].tray: 1 to 20
  step.marks: 0 to 400
  step.orientation: 0 to 400
  step.distances: at most 12
  step.distances[].what: 1 to 400
  step.distances[].unit: 1 to 12
  step.distances[].tolerance: from 0
  step.wires: at most 64
  step.wires[].pin: 1 to 8
  step.wires[].colour: 1 to 40
  step.owes: at most 12
  step.owes[]: 1 to 400
  step.traces: 0 to 400
  step.after: at most 50
  open-end.what: 1 to 400
  open-end.usualId: 0 to 64
  close.how: 0 to 400
  refit.returned: at most 20
  refit.returned[]: from 0, to 999
  refit.distances: at most 12
  refit.renewed: at most 12
  refit.renewed[]: 1 to 400
  explain.finding: 1 to 400
  explain.why: 1 to 400
  move.moveId: 1 to 64
  move.name: 1 to 400
  timer.label: 0 to 400
  timer.minutes: to 86400, above 0
  photo.caption: 0 to 400
  photo.width: from 1, to 20000
  photo.height: from 1, to 20000
  photo.place: 0 to 400
  marks.marks: at most 60
  marks.marks[].x: from 0, to 1
  marks.marks[].y: from 0, to 1
  marks.marks[].toX: from 0, to 1
  marks.marks[].toY: from 0, to 1
  marks.marks[].text: 0 to 80
  answer.testId: 1 to 64
  answer.name: 1 to 400
  answer.outcome: 1 to 64
  answer.words: 0 to 400
  answer.unit: 0 to 12
  answer.instrument: 1 to 60
  mended.repairId: 1 to 64
  mended.name: 1 to 400
  mended.rank: from 1, to 500
  mended.loses: 1 to 400
  suspect.block: 1 to 64
  suspect.name: 1 to 400
  unreachable.testId: 1 to 64
  unreachable.name: 1 to 400
  tried.block: 1 to 64
  tried.name: 1 to 400
  tried.amps: from 0, to 1000
  terms.worth: from 0, to 1000000000
  terms.price: from 0, to 1000000000
  terms.ceiling: from 0, to 1000000000
  working.workingId: 1 to 64
  working.name: 1 to 400
  working.inputs: at most 40
  working.inputs[].id: 1 to 64
  working.inputs[].text: 0 to 2000
  working.words: 0 to 2000
  working.verdict: 0 to 400
  working.expects.place: 1 to 400
  working.expects.unit: 1 to 12
  mend-step.repairId: 1 to 64
  mend-step.stepId: 1 to 64
  mend-step.what: 1 to 400
  quote.optionId: 1 to 64
  quote.name: 1 to 400
  quote.money: from 0, to 1000000000
  quote.days: from 0, to 3650
  decision-dropped.optionId: 1 to 64
  decision-dropped.name: 1 to 400
  decision.optionId: 1 to 64
  decision.also: at most 8
  decision.also[]: 1 to 64
  decision.name: 1 to 400
  decision.reason: 0 to 400
  decision.chance: from 0, to 1
  decision.minutes: from 0, to 1000000
  decision.money: from 0, to 1000000000
  decision.expectedCost: from 0, to 1000000000
  decision.beside: 0 to 400
  coach-begin.task.speeds: 1 to 6 of them
  coach-begin.task.speeds[].id: 1 to 64
  coach-begin.task.speeds[].label: 1 to 400
  coach-begin.task.speeds[].lowerPercent: from -50, below 0
  coach-begin.task.speeds[].upperPercent: to 50, above 0
  coach-begin.task.trims: 1 to 6 of them
  coach-begin.task.trims[].id: 1 to 64
  coach-begin.task.trims[].name: 1 to 400
  coach-begin.task.trims[].serves: 1 to 6 of them
  coach-begin.task.trims[].serves[]: 1 to 64
  coach-begin.task.trims[].travelTurns: to 100, above 0
  coach-begin.task.trims[].stoodTurns: from -1000, to 1000
  coach-begin.checks: at most 20
  coach-begin.checks[]: 1 to 64
  coach-turned.trimId: 1 to 64
  coach-turned.name: 1 to 400
  coach-turned.turns: from -1000, to 1000
  coach-stands.trimId: 1 to 64
  coach-stands.name: 1 to 400
  coach-stands.turns: from -1000, to 1000
  proved.checkId: 1 to 160
  proved.name: 1 to 400
  proved.words: 0 to 400
  unproved.checkId: 1 to 160
  unproved.name: 1 to 400
  unproved.why: 1 to 400
  trial-phase.block: 1 to 64
  trial-phase.name: 1 to 400
  coast.speedId: 1 to 64
  coast.fromRpm: to 1000000, above 0
  coast.toRpm: from 0, to 1000000
  coast.seconds: to 100000, above 0
  coast.conditions: 0 to 400
  protection-class.cordM: to 100, above 0
  safety-reading.value: from 0, to 1000000
  safety-reading.limit: to 1000000, above 0
  safety-reading.instrument: 0 to 400
  clip.setup.support: 1 to 400
  clip.setup.distanceCm: to 1000, above 0
  clip.setup.device: 0 to 400
  clip.setup.speedId: 1 to 64
  clip.figures.seconds: to 600, above 0
  clip.figures.sampleRate: to 200000, above 0
  clip.figures.aWeighted.db: from -200, to 200
  clip.figures.aWeighted.variance: from 0, to 1000000
  clip.figures.aWeighted.count: from 1, to 10000
  clip.figures.octaves: at most 12
  clip.figures.octaves[].hz: to 20000, above 0
  clip.figures.octaves[].db: from -200, to 200
  clip.figures.octaves[].variance: from 0, to 1000000
  clip.figures.octaves[].count: from 1, to 10000
  clip.figures.ticks.hz: to 1000, above 0
  clip.figures.ticks.regularity: from 0, to 1
  clip.figures.hum.mainsHz: is 50
  clip.figures.hum.mainsHz: is 60
  clip.figures.hum.part: from 0, to 1
  sheet.photos: at most 12
  sheet.notes: at most 200
  sheet.watch: 0 to 400
  follow-up.what: 1 to 400
  follow-up-done.words: 0 to 400
  return.number: from 0, to 2147483647
  practice-act.testId: 1 to 64
  practice-act.name: 1 to 400
  practice-act.words: 1 to 400
  practice-act.minutes: from 0, to 1000000
  practice-act.harm: 1 to 400
  practice-turn.trim: 1 to 64
  practice-turn.name: 1 to 400
  practice-turn.turns: from -20, to 20
  practice-hand.hand: 1 to 64
  practice-hand.name: 1 to 400
  practice-end.minutes: from 0, to 1000000
  practice-end.live: from 0, to 10000
  practice-end.parts: from 0, to 10000
  practice-end.wrongParts: from 0, to 10000
  practice-end.harm: at most 20
  practice-end.harm[]: 1 to 400
  practice-end.found: at most 20
  practice-end.found[]: 1 to 400
  practice-end.left: at most 20
  practice-end.left[]: 1 to 400
  practice-end.adviceMinutes: from 0, to 1000000
  practice-end.bestMinutes: from 0, to 1000000
`;
