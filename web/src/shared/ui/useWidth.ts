/** The width of an element in px, followed as it changes. */
import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

export function useWidth(first: number): [RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(first);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const follow = () => setWidth(Math.max(200, Math.floor(element.clientWidth)));
    follow();
    const observer = new ResizeObserver(follow);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
