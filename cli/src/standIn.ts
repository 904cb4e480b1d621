/** `stand-in --port N [--kind KIND] [--machine ID] [--at QUANTITY] [--fault NAME]`: an instrument that is none, on this machine alone, at a machine of the practice bench. */
import {
  INSTRUMENT_KINDS,
  STAND_IN_FAULTS,
  standInCounter,
  standInMeter,
  standInScope,
  standInSupply,
  type InstrumentKind,
  type StandIn,
  type StandInFault,
} from '@amber-gauge/core/instruments';
import { PRACTICE_MACHINES, type PracticeUnit } from '@amber-gauge/core/practice';
import { createServer, type Socket } from 'node:net';
import type { CommandAnswer } from './answer.js';
import { positive, readFlags } from './options.js';
import { CliRefusal } from './refusal.js';

const USAGE = `stand-in --port N [--kind ${Object.keys(INSTRUMENT_KINDS).join('|')}] [--machine ID] [--at QUANTITY] [--broken FAULT] [--fault ${STAND_IN_FAULTS.join('|')}]`;
/** A line longer than this is no command. */
const MOST_CHARACTERS = 4096;

/** Runs until it is stopped. */
export async function standInCommand(args: readonly string[]): Promise<CommandAnswer> {
  const given = readFlags(args, ['port', 'kind', 'machine', 'at', 'broken', 'fault'], USAGE);
  const fault = (given.fault ?? 'none') as StandInFault;
  const kind = (given.kind ?? 'meter') as InstrumentKind;
  if (!STAND_IN_FAULTS.includes(fault) || !Object.hasOwn(INSTRUMENT_KINDS, kind)) throw new CliRefusal('USAGE', USAGE);
  const port = positive(given.port, 'port');
  const machine = PRACTICE_MACHINES.find((one) => one.id === (given.machine ?? 'turntable-dc'));
  if (!machine || (given.broken !== undefined && !machine.faults.some((one) => one.id === given.broken)))
    throw new CliRefusal('USAGE', `Machines: ${PRACTICE_MACHINES.map((one) => one.id).join(', ')}. ${USAGE}`);
  const unit = machine.unit(given.broken === undefined ? [] : [given.broken], 1);
  const quantity = given.at ?? USUALLY[kind];
  if (!Object.hasOwn(unit.moment(), quantity))
    throw new CliRefusal('USAGE', `${machine.id} has ${Object.keys(unit.moment()).join(', ')}.`);
  const server = createServer((socket) => serve(socket, made(kind, unit, quantity, fault)));
  await new Promise<void>((resolve, reject) => {
    server.once('error', () => reject(new CliRefusal('PORT_TAKEN', `Port ${port} is taken: choose another.`)));
    server.listen(port, '127.0.0.1', resolve);
  });
  process.on('SIGTERM', () => process.exit(0));
  return {
    json: { host: '127.0.0.1', port, kind, machine: machine.id, at: quantity, fault },
    words: `A stand-in ${INSTRUMENT_KINDS[kind].words} at ${quantity} of ${machine.name}, 127.0.0.1:${port}. Ctrl+C ends it.`,
  };
}

/** Where each kind stands when nothing is said. */
const USUALLY: Readonly<Record<InstrumentKind, string>> = {
  meter: 'board.V',
  counter: 'motor.rpm',
  supply: 'motor.ohm',
  scope: 'reservoir.ripple.Vpp',
};

/** A new one for each that connects. */
function made(kind: InstrumentKind, unit: PracticeUnit, quantity: string, fault: StandInFault): StandIn {
  const now = () => unit.see(quantity).mean;
  // Turns a minute are turns a second for a counter and for a trace of one pulse a turn.
  const hertz = () => (quantity.endsWith('.rpm') ? Math.abs(now()) / 60 : now());
  if (kind === 'counter') return standInCounter(hertz, fault);
  if (kind === 'supply') return standInSupply(now, fault);
  if (kind === 'scope')
    return standInScope(() => (quantity.endsWith('.rpm') ? pulseTrace(hertz()) : waveTrace(unit, quantity)), fault);
  return standInMeter(() => (Number.isFinite(now()) ? now() : null), fault);
}

const TRACE = { points: 5000, intervalS: 2e-4 } as const;
const traceOf = (at: (seconds: number) => number) => ({
  intervalS: TRACE.intervalS,
  volts: Float64Array.from({ length: TRACE.points }, (_, i) => at(i * TRACE.intervalS)),
});
/** The wave that the machine itself has there; a level line where it has none. */
const waveTrace = (unit: PracticeUnit, quantity: string) =>
  unit.trace(quantity) ?? traceOf(() => unit.see(quantity).mean);
/** A pulse of 5 V a turn, a tenth of the turn long. */
const pulseTrace = (hz: number) => traceOf((s) => ((s * hz) % 1 < 0.1 && hz > 0 ? 5 : 0));

function serve(socket: Socket, meter: StandIn): void {
  socket.setEncoding('latin1');
  socket.on('error', () => undefined);
  let heard = '';
  socket.on('data', (data) => {
    heard += String(data);
    if (heard.length > MOST_CHARACTERS) return void socket.destroy();
    const lines = heard.split('\n');
    heard = lines.pop() ?? '';
    for (const line of lines) {
      const answer = meter(line);
      if (!answer) continue;
      setTimeout(() => {
        if (answer.close) socket.end(answer.text);
        else socket.write(answer.text);
      }, answer.afterMs).unref();
    }
  });
}
