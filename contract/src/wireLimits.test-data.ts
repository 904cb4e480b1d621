/** Limits of what is sent to the server besides the log's lines, written out: whoever changes one changes it here too, on purpose. */

/** What the contract allows of each request, a line each. */
export const WIRE_LIMITS = `
  newJob.familyId: 1 to 64
  newJob.make: 0 to 120
  newJob.model: 0 to 120
  newJob.serial: 0 to 120
  newJob.customer: 0 to 200
  newJob.ratedVolts: to 1000, above 0
  newJob.speedIds: 1 to 12 of them
  newJob.speedIds[]: 1 to 32
  newJob.complaint: 0 to 4000
  newJob.tried: 0 to 4000
  newJob.tolerance.use: 1 to 200
  newJob.tolerance.lowerPercent: from -50, below 0
  newJob.tolerance.upperPercent: to 50, above 0
  newJob.tolerance.origin.text: 1 to 400
  newJob.practice.machine: 1 to 64
  newJob.practice.faults: at most 6
  newJob.practice.faults[]: 1 to 64
  newJob.practice.seed: from 0, to 2147483647
  newJob.practice.lesson: 1 to 64
  changeJob.version: from 1, to 2147483647
  changeJob.device: 1 to 64
  changeJob.sequence: from 0, to 2147483647
  listQuery.search: 0 to 200
  listQuery.family: 0 to 64
  postEvents.events: 1 to 200 of them
  postEvents.events[].device: 1 to 64
  postEvents.events[].sequence: from 0, to 2147483647
  changeSettings.version: from 1, to 2147483647
  changeSettings.fields.shopName: 1 to 120
  changeSettings.fields.shopAddress: 0 to 400
  changeSettings.fields.mainsVolts: from 90, to 260
  changeSettings.fields.mainsHz: is 50
  changeSettings.fields.mainsHz: is 60
  changeSettings.fields.captureKey: 1 to 32
  changeSettings.fields.clockCorrectionPpm: from -1000, to 1000
  changeSettings.fields.hourMoney: to 1000000, above 0
  changeSettings.fields.dayMoney: from 0, to 1000000
  changeSettings.fields.partsDays: from 0, to 365
  changeSettings.fields.safety.earthOhm: to 100, above 0
  changeSettings.fields.safety.earthOhmPer: to 100, above 0
  changeSettings.fields.safety.earthOhmMost: to 100, above 0
  changeSettings.fields.safety.insulationMohm.I: to 10000, above 0
  changeSettings.fields.safety.insulationMohm.I-heating: to 10000, above 0
  changeSettings.fields.safety.insulationMohm.II: to 10000, above 0
  changeSettings.fields.safety.insulationMohm.III: to 10000, above 0
  changeSettings.fields.safety.earthCurrentMa: to 100, above 0
  changeSettings.fields.safety.touchCurrentMa: to 100, above 0
  changeSettings.fields.hours.days: 1 to 7 of them
  changeSettings.fields.hours.days[]: from 1, to 7
  changeSettings.fields.hours.places: from 1, to 20
  changeSettings.fields.hours.isolators: from 1, to 20
  changeSettings.fields.hours.variacs: from 1, to 20
  changeSettings.fields.hours.tapes: from 1, to 20
  changeSettings.fields.instruments: at most 12
  changeSettings.fields.instruments[].name: 1 to 60
  changeSettings.fields.instruments[].address: 0 to 120
  changeSettings.fields.clockLimitPpm: to 10000, above 0
  newSource.name: 1 to 120
  newSource.nominalHz: from 20, to 20000
  newSource.tolerancePercent: to 10, above 0
  changeSource.version: from 1, to 2147483647
  changeSheet.model: 1 to 240
  changeSheet.version: from 0, to 2147483647
  changeSheet.sheet.absent: at most 100
  changeSheet.sheet.places{}: 1 to 120
  changeSheet.sheet.bands{}: 1 to 20 of them
  changeSheet.sheet.train.motor.name: 1 to 80
  changeSheet.sheet.train.motor.poles: 1 to 6 of them
  changeSheet.sheet.train.motor.rpm: 1 to 6 of them
  changeSheet.sheet.train.motor.segments: from 2, to 200
  changeSheet.sheet.train.motor.generator: from 1, to 10000
  changeSheet.sheet.train.parts: at most 40
  changeSheet.sheet.train.parts[].id: 1 to 60
  changeSheet.sheet.train.parts[].name: 1 to 80
  changeSheet.sheet.train.parts[].by: 1 to 60
  changeSheet.sheet.train.parts[].sizes: 1 to 6 of them
  changeSheet.sheet.train.parts[].toleranceMm: from 0, to 10
  changeSheet.sheet.train.output.part: 1 to 60
  changeSheet.sheet.train.speeds: 1 to 6 of them
  changeSheet.sheet.train.speeds[].id: 1 to 60
  changeSheet.sheet.train.speeds[].label: 1 to 80
  changeSheet.sheet.trims: at most 6
  changeSheet.sheet.trims[].id: 1 to 60
  changeSheet.sheet.trims[].name: 1 to 60
  changeSheet.sheet.trims[].serves: 1 to 6 of them
  changeSheet.sheet.trims[].serves[]: 1 to 60
  changeSheet.sheet.trims[].where: 0 to 120
  changeSheet.sheet.trims[].travelTurns: to 100, above 0
  changeSheet.sheet.codes: 0 to 2000
  addShelf.lines: 1 to 500 of them
  addShelf.lines[].body lot.part: 1 to 200
  addShelf.lines[].body lot.supplier: 1 to 200
  addShelf.lines[].body lot.quantity: from 1, to 1000000
  addShelf.lines[].body lot.price: from 0, to 1000000000
  addShelf.lines[].body lot.claimDays: from 0, to 3650
  addShelf.lines[].body lot.place: 0 to 200
  addShelf.lines[].body lot.motor{}: 1 to 40
  addShelf.lines[].body lot.serves: at most 40
  addShelf.lines[].body lot.serves[]: 0 to 130
  addShelf.lines[].body tested.good: from 0, to 1000000
  addShelf.lines[].body tested.bad: from 0, to 1000000
  addShelf.lines[].body reserved|released|used|failed.quantity: from 1, to 1000000
  addShelf.lines[].body reserved|released|used|failed.job: from 1, to 2147483647
  addShelf.lines[].body reserved|released|used|failed.serves: 0 to 130
  addShelf.lines[].body strike.reason: 1 to 200
  bookQuery.words: 0 to 200
  bookQuery.family: 0 to 64
  bookQuery.model: 0 to 240
  bookQuery.customer: 0 to 200
  bookQuery.fault: 0 to 130
  newRun.fileName: 0 to 260
  newRun.fileBytes: from 0
  newRun.figures.uncertainty: at most 12
  newRun.figures.uncertainty[].why: 0 to 400
  newRun.figures.lines: at most 64
  newRun.figures.warnings: at most 20
  newRun.figures.detail.dropouts: from 0
  newRun.figures.detail.channel: from 0
  newRun.figures.detail.added: at most 24
  newRun.figures.detail.added[].mainsHz: is 50
  newRun.figures.detail.added[].mainsHz: is 60
  newRun.figures.detail.perTurn: from 0
  newRun.figures.detail.missing: from 0
  newRun.figures.detail.doubled: from 0
  newRun.figures.detail.damagedSegmentsPerTurn: from 0
  newRun.figures.detail.spacingErrorsPercent: at most 10000
  newRun.figures.detail.shaft.stretches: at most 2000
  newRun.figures.detail.shaft.sense: is 1
  newRun.figures.detail.shaft.sense: is -1
  newRun.figures.detail.weakSegments: at most 10000
  newRun.figures.detail.weakSegments[].place: from 0
  newRun.figures.detail.channel: 0 to 200
  newRun.figures.detail.shaft.stretches: at most 2000
  newRun.figures.detail.shaft.sense: is 1
  newRun.figures.detail.shaft.sense: is -1
  newRun.figures.detail.ringBars: from 0
  newRun.figures.detail.taps: from 0
  newRun.figures.detail.linesPerTurn: from 0
  newRun.figures.detail.candidates: at most 12
  newRun.figures.detail.candidates[].why: 0 to 200
  newRun.figures.detail.stretches: at most 2000
  newRun.figures.series.errorPercent: at most 6000
  newRun.figures.series.halfWidthPercent: at most 6000
  newRun.figures.spectrum.frequencyHz: at most 6000
  newRun.figures.spectrum.peakPercent: at most 6000
  bundle.version: is 1
  bundle.events: at most 100000
  bundle.runs: at most 1000
  bundle.runs[].fileName: 0 to 260
  bundle.runs[].fileBytes: from 0
  bundle.runs[].figures.uncertainty: at most 12
  bundle.runs[].figures.uncertainty[].why: 0 to 400
  bundle.runs[].figures.lines: at most 64
  bundle.runs[].figures.warnings: at most 20
  bundle.runs[].figures.detail.dropouts: from 0
  bundle.runs[].figures.detail.channel: from 0
  bundle.runs[].figures.detail.added: at most 24
  bundle.runs[].figures.detail.added[].mainsHz: is 50
  bundle.runs[].figures.detail.added[].mainsHz: is 60
  bundle.runs[].figures.detail.perTurn: from 0
  bundle.runs[].figures.detail.missing: from 0
  bundle.runs[].figures.detail.doubled: from 0
  bundle.runs[].figures.detail.damagedSegmentsPerTurn: from 0
  bundle.runs[].figures.detail.spacingErrorsPercent: at most 10000
  bundle.runs[].figures.detail.shaft.stretches: at most 2000
  bundle.runs[].figures.detail.shaft.sense: is 1
  bundle.runs[].figures.detail.shaft.sense: is -1
  bundle.runs[].figures.detail.weakSegments: at most 10000
  bundle.runs[].figures.detail.weakSegments[].place: from 0
  bundle.runs[].figures.detail.channel: 0 to 200
  bundle.runs[].figures.detail.shaft.stretches: at most 2000
  bundle.runs[].figures.detail.shaft.sense: is 1
  bundle.runs[].figures.detail.shaft.sense: is -1
  bundle.runs[].figures.detail.ringBars: from 0
  bundle.runs[].figures.detail.taps: from 0
  bundle.runs[].figures.detail.linesPerTurn: from 0
  bundle.runs[].figures.detail.candidates: at most 12
  bundle.runs[].figures.detail.candidates[].why: 0 to 200
  bundle.runs[].figures.detail.stretches: at most 2000
  bundle.runs[].figures.series.errorPercent: at most 6000
  bundle.runs[].figures.series.halfWidthPercent: at most 6000
  bundle.runs[].figures.spectrum.frequencyHz: at most 6000
  bundle.runs[].figures.spectrum.peakPercent: at most 6000
  bundle.photos: at most 300
  bundle.clips: at most 100
  dayFirst.first: at most 100
  tryInstrument.address: 0 to 120
  liveFrame.what: 0 to 200
  liveFrame.speedLabel: 0 to 60
  liveFrame.nominalRpm: to 1000000, above 0
  liveFrame.lowerPercent: from -1000, below 0
  liveFrame.upperPercent: to 1000, above 0
  liveFrame.edgePercent: from -1000, to 1000
  liveFrame.meanPercent: from -1000, to 1000
  liveFrame.expandedPercent: from 0, to 1000
  liveFrame.wowPercent: from 0, to 1000
  liveFrame.words: 0 to 120
  liveFrame.todo: 0 to 300
  liveFrame.kept.count: from 1, to 1000000
  liveFrame.kept.words: 1 to 300
  attachmentKept.sha256: 64 to 64
`;
