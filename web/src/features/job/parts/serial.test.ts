import { standInMeter, type StandIn } from '@amber-gauge/core/instruments';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { takeSerial, type SerialPortLike } from './serial.js';

/** A port with something behind it; what was said, and whether it was closed. */
function portTo(made: StandIn): SerialPortLike & { readonly said: string[]; closed: boolean; baud: number } {
  let push: (text: string) => void = () => undefined;
  const port = {
    said: [] as string[],
    closed: false,
    baud: 0,
    open: ({ baudRate }: { readonly baudRate: number }) => ((port.baud = baudRate), Promise.resolve()),
    close: () => ((port.closed = true), Promise.resolve()),
    readable: new ReadableStream<Uint8Array>({
      start: (stream) => void (push = (text) => stream.enqueue(new TextEncoder().encode(text))),
    }),
    writable: new WritableStream<Uint8Array>({
      write(bytes) {
        const line = new TextDecoder().decode(bytes).trim();
        port.said.push(line);
        const answer = made(line);
        // As a slow line brings it: in pieces.
        if (answer) for (const sign of answer.text) push(sign);
      },
    }),
  };
  return port;
}

const withSerial = (serial: unknown) => vi.stubGlobal('navigator', { ...navigator, serial });
afterEach(() => vi.unstubAllGlobals());

const asked = { baud: 9600, kind: 'meter', wanted: 'volts-dc', triggerMs: null } as const;
const never = new AbortController().signal;

describe('a meter on a serial line', () => {
  it('is opened at its rate, asked as over the network, typed as a person would, and let go of', async () => {
    const port = portTo(standInMeter(() => 4.98));
    withSerial({ getPorts: () => Promise.resolve([port]), requestPort: () => Promise.reject(new Error('asked')) });
    expect(await takeSerial(asked, never)).toBe('4.98V');
    expect(port.said).toEqual(['*IDN?', '*CLS', 'CONF?', 'READ?', 'SYST:ERR?']);
    expect(port.baud).toBe(9600);
    await vi.waitFor(() => expect(port.closed).toBe(true));
  });

  it('is asked for where none was allowed before; another function is refused and the line let go of', async () => {
    const port = portTo(standInMeter(() => 1, 'wrong-function'));
    withSerial({ getPorts: () => Promise.resolve([]), requestPort: () => Promise.resolve(port) });
    await expect(takeSerial(asked, never)).rejects.toThrow('The meter stands on ohms');
    await vi.waitFor(() => expect(port.closed).toBe(true));
  });

  it('says so where the browser has none, where none is chosen, and where another program holds it', async () => {
    withSerial(undefined);
    await expect(takeSerial(asked, never)).rejects.toThrow('no serial interface');
    withSerial({ getPorts: () => Promise.resolve([]), requestPort: () => Promise.reject(new Error('dismissed')) });
    await expect(takeSerial(asked, never)).rejects.toThrow('No serial line was chosen');
    const port = { ...portTo(standInMeter(() => 1)), open: () => Promise.reject(new Error('busy')) };
    withSerial({ getPorts: () => Promise.resolve([port]), requestPort: () => Promise.reject(new Error('asked')) });
    await expect(takeSerial(asked, never)).rejects.toThrow('does another program hold it?');
  });

  it('ends when it is stopped, and is let go of', async () => {
    const port = portTo(standInMeter(() => 1, 'slow'));
    const silent = { ...port, writable: new WritableStream<Uint8Array>() };
    withSerial({ getPorts: () => Promise.resolve([silent]), requestPort: () => Promise.reject(new Error('asked')) });
    const stop = new AbortController();
    const taking = takeSerial({ ...asked, triggerMs: 60_000 }, stop.signal);
    const ended = expect(taking).rejects.toThrow();
    setTimeout(() => stop.abort(), 20);
    await ended;
  });
});
