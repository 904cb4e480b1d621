/** The server's clock, looked at again and again while something on the screen depends on it. */
import { useEffect, useState } from 'react';
import { serverNow } from '../outbox/clock.js';

export function useNow(everyMs: number): Date {
  const [now, setNow] = useState(serverNow);
  useEffect(() => {
    const timer = setInterval(() => setNow(serverNow()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
