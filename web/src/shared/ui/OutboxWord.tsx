/** Says so when the server is away and lines wait in this browser. */
import { useOutbox } from '../outbox/outbox.js';

export function OutboxWord() {
  const waiting = useOutbox((state) => state.entries.filter((entry) => entry.refused === null).length);
  const away = useOutbox((state) => state.away);
  if (waiting === 0 && !away) return null;
  return (
    <span className="small" role="status">
      {away ? 'Server away. ' : ''}
      {waiting > 0 ? `${waiting} waiting in this browser` : 'Trying again'}
    </span>
  );
}
