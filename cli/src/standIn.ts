/** `stand-in --port N [--machine ID] [--at QUANTITY] [--fault NAME]`: a meter that is none, on this machine alone, at a machine of the practice bench. */
import { STAND_IN_FAULTS, standInMeter, type StandInFault } from '@amber-gauge/core/instruments';
import { PRACTICE_MACHINES } from '@amber-gauge/core/practice';
import { createServer, type Socket } from 'node:net';
import type { CommandAnswer } from './answer.js';
import { positive, readFlags } from './options.js';
import { CliRefusal } from './refusal.js';

const USAGE = `stand-in --port N [--machine ID] [--at QUANTITY] [--broken FAULT] [--fault ${STAND_IN_FAULTS.join('|')}]`;
/** A line longer than this is no command. */
const MOST_CHARACTERS = 4096;

/** Runs until it is stopped. */
export async function standInCommand(args: readonly string[]): Promise<CommandAnswer> {
  const given = readFlags(args, ['port', 'machine', 'at', 'broken', 'fault'], USAGE);
  const fault = (given.fault ?? 'none') as StandInFault;
  if (!STAND_IN_FAULTS.includes(fault)) throw new CliRefusal('USAGE', USAGE);
  const port = positive(given.port, 'port');
  const machine = PRACTICE_MACHINES.find((one) => one.id === (given.machine ?? 'turntable-dc'));
  if (!machine || (given.broken !== undefined && !machine.faults.some((one) => one.id === given.broken)))
    throw new CliRefusal('USAGE', `Machines: ${PRACTICE_MACHINES.map((one) => one.id).join(', ')}. ${USAGE}`);
  const unit = machine.unit(given.broken === undefined ? [] : [given.broken], 1);
  const quantity = given.at ?? 'board.V';
  if (!Object.hasOwn(unit.moment(), quantity))
    throw new CliRefusal('USAGE', `${machine.id} has ${Object.keys(unit.moment()).join(', ')}.`);
  const probe = () => {
    const { mean } = unit.see(quantity);
    return Number.isFinite(mean) ? mean : null;
  };
  const server = createServer((socket) => serve(socket, standInMeter(probe, fault)));
  await new Promise<void>((resolve, reject) => {
    server.once('error', () => reject(new CliRefusal('PORT_TAKEN', `Port ${port} is taken: choose another.`)));
    server.listen(port, '127.0.0.1', resolve);
  });
  process.on('SIGTERM', () => process.exit(0));
  return {
    json: { host: '127.0.0.1', port, machine: machine.id, at: quantity, fault },
    words: `A stand-in meter at ${quantity} of ${machine.name}, 127.0.0.1:${port}. Ctrl+C ends it.`,
  };
}

function serve(socket: Socket, meter: ReturnType<typeof standInMeter>): void {
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
