/** A meter on a serial line of this device, through the browser's own serial interface where it has one. */
import {
  InstrumentProblem,
  openSession,
  readInstrument,
  typedReading,
  type InstrumentKind,
  type MeterFunctionId,
} from '@amber-gauge/core/instruments';
import { say } from '@amber-gauge/core/words';

/** What is needed of a port. */
export interface SerialPortLike {
  open(how: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
}
interface Serial {
  getPorts(): Promise<SerialPortLike[]>;
  requestPort(): Promise<SerialPortLike>;
}

const later = (run: () => void, ms: number) => {
  const timer = setTimeout(run, ms);
  return () => clearTimeout(timer);
};

/** A line of text over an open port; what comes is handed on as it comes. */
function lineOver(port: SerialPortLike): Parameters<typeof openSession>[0] {
  if (!port.readable || !port.writable) {
    void port.close().catch(() => undefined);
    throw new InstrumentProblem(
      'NO_INSTRUMENT',
      say`The serial line gave no way in and out: pull it and plug it in again.`,
    );
  }
  const reader = port.readable.getReader();
  const writer = port.writable.getWriter();
  const decoder = new TextDecoder('latin1');
  let hear: (text: string) => void = () => undefined;
  let closed: () => void = () => undefined;
  const listen = async () => {
    for (let piece = await reader.read(); !piece.done; piece = await reader.read()) hear(decoder.decode(piece.value));
  };
  void listen()
    .catch(() => undefined)
    .finally(() => closed());
  return {
    write: (text) => void writer.write(new TextEncoder().encode(text)).catch(() => closed()),
    onText: (listener) => void (hear = listener),
    onClose: (listener) => void (closed = listener),
    close: () => {
      // Whoever still waits for an answer is told.
      closed();
      void Promise.allSettled([reader.cancel(), writer.close()]).then(() => port.close().catch(() => undefined));
    },
  };
}

/** A port that was allowed before, or one that is asked for now. @throws InstrumentProblem NO_INSTRUMENT in plain words where there is none. */
async function portOf(): Promise<SerialPortLike> {
  const serial = (navigator as { serial?: Serial }).serial;
  if (!serial)
    throw new InstrumentProblem(
      'NO_INSTRUMENT',
      say`This browser has no serial interface: use one that has, or the meter’s network line.`,
    );
  const [known] = await serial.getPorts();
  return (
    known ??
    serial
      .requestPort()
      .catch(() =>
        Promise.reject(new InstrumentProblem('NO_INSTRUMENT', say`No serial line was chosen. Nothing was taken.`)),
      )
  );
}

/** What is asked of a meter on a serial line. */
export interface AskedSerial {
  readonly baud: number;
  readonly kind: InstrumentKind;
  readonly wanted: MeterFunctionId | null;
  readonly triggerMs: number | null;
}

/** One reading as it is typed into the entry line; the line is let go of, also when `signal` ends it. */
export async function takeSerial({ baud, ...asked }: AskedSerial, signal: AbortSignal): Promise<string> {
  const port = await portOf();
  await port.open({ baudRate: baud }).catch(() => {
    throw new InstrumentProblem('NO_INSTRUMENT', say`The serial line cannot be opened: does another program hold it?`);
  });
  const session = openSession(lineOver(port), later);
  const leave = () => session.close();
  signal.addEventListener('abort', leave);
  try {
    const reading = await readInstrument(session, asked);
    return typedReading(reading.function, reading.over ? null : reading.value);
  } finally {
    signal.removeEventListener('abort', leave);
    session.close();
  }
}
