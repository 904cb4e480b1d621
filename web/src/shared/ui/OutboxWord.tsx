/** Says when the server is away and lines wait here, when lines cannot be kept, and when this device's clock is off. */
import { Link } from 'react-router';
import { CLOCK_OFF_MS, useClock } from '../outbox/clock.js';
import { useOutbox } from '../outbox/outbox.js';
import { say } from '@amber-gauge/core/words';

export function OutboxWord() {
  const entries = useOutbox((state) => state.entries);
  const away = useOutbox((state) => state.away);
  const offsetMs = useClock((state) => state.offsetMs);
  const waiting = entries.filter((entry) => entry.refused === null).length;
  const refused = entries.filter((entry) => entry.refused !== null);
  return (
    <>
      {(waiting > 0 || away) && (
        <span className="small" role="status">
          {away ? say`Server away. ` : ''}
          {waiting > 0 ? say`${waiting} waiting in this browser` : say`Trying again`}
        </span>
      )}
      {refused[0] && (
        <Link className="small danger" to={`/job/${refused[0].jobId}`}>
          {refused.length === 1 ? say`1 line cannot be kept` : say`${refused.length} lines cannot be kept`}
        </Link>
      )}
      {Math.abs(offsetMs) > CLOCK_OFF_MS && <span className="small">{clockWords(offsetMs)}</span>}
    </>
  );
}

/** "This device’s clock is 3 min slow; lines carry the bench’s time". */
function clockWords(offsetMs: number): string {
  const minutes = Math.round(Math.abs(offsetMs) / 60_000);
  const size = minutes < 120 ? `${minutes} min` : `${Math.round(minutes / 60)} h`;
  return say`This device’s clock is ${size} ${offsetMs > 0 ? say`slow` : say`fast`}; lines carry the bench’s time`;
}
