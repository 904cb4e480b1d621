/**
 * An event of the window for as long as a part stands, always with its latest handler. It is bound once:
 * a handler bound anew at each drawing misses an event whose other listener has just drawn the page.
 */
import { useEffect, useRef } from 'react';

export function useWindowEvent<K extends keyof WindowEventMap>(
  name: K,
  handler: (event: WindowEventMap[K]) => void,
): void {
  const latest = useRef(handler);
  useEffect(() => {
    latest.current = handler;
  });
  useEffect(() => {
    const listen = (event: WindowEventMap[K]) => latest.current(event);
    window.addEventListener(name, listen);
    return () => window.removeEventListener(name, listen);
  }, [name]);
}
