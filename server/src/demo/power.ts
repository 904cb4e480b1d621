/** Between the demo's readings somebody plugged the unit in and pulled the plug again: those lines too. */
import { randomUUID } from 'node:crypto';
import { isLive, powerFrom, type BenchEvent, type JobFacts, type PowerState } from '@amber-gauge/core/bench';

/** A line of power stands this long before or after the reading it belongs to, ms. */
const BESIDE_MS = 20_000;

/** The log with its unit switched on before every reading that needs it, and off before what is done dead. */
export function withPower(job: JobFacts, events: readonly BenchEvent[]): BenchEvent[] {
  const pack = job.powerKind === 'pack';
  const [on, off]: [PowerState, PowerState] = pack ? ['pack-in', 'pack-out'] : ['live-direct', 'unplugged-unknown'];
  const out: BenchEvent[] = [];
  const switched = (beside: BenchEvent, state: PowerState, ms: number): BenchEvent => ({
    ...beside,
    key: randomUUID(),
    enteredAt: new Date(Date.parse(beside.enteredAt) + ms).toISOString(),
    body: { kind: 'power', state, conditions: [] },
  });
  let ours = false;
  for (const event of events) {
    const last = out[out.length - 1];
    if (event.body.kind === 'power') ours = false;
    else if (powerFrom(job, [...out, event]).doubt !== null) {
      out.push(switched(event, on, -BESIDE_MS));
      ours = true;
    } else if (
      ours &&
      last &&
      isLive(powerFrom(job, out).state) &&
      powerFrom(job, [...offAfter(last), event]).doubt === null
    ) {
      out.push(switched(last, off, BESIDE_MS));
      ours = false;
    }
    out.push(event);
  }
  const last = out[out.length - 1];
  if (ours && last) out.push(switched(last, off, BESIDE_MS));
  return out.map((event, sequence) => ({ ...event, sequence }));

  /** The log so far, were it switched off after its last line. */
  function offAfter(last: BenchEvent): BenchEvent[] {
    return [...out, switched(last, off, BESIDE_MS)];
  }
}
