/**
 * A part of the page that is fetched when it is first needed, or ahead, as soon as the first screen stands:
 * the server may be away by then. What cannot be had is tried again, and never takes the screen down.
 */
import { useEffect, useState, type ComponentType } from 'react';

/** Between tries, ms. */
const AGAIN_MS = 3000;

const ahead: (() => void)[] = [];

/** Fetched or started ahead with the parts. */
export const whenQuiet = (work: () => void): void => {
  ahead.push(work);
};

/** Fetches every part that was named; one that fails is fetched when it is needed. */
export function fetchAhead(): void {
  for (const work of ahead) {
    try {
      work();
    } catch {
      // Tried again by whoever needs it.
    }
  }
}

/** `load` gives the component; until it has come, `waiting` stands in its place. */
export function lazyPart<P extends object>(
  load: () => Promise<ComponentType<P>>,
  waiting: string | null = null,
): ComponentType<P> {
  let known: ComponentType<P> | null = null;
  const fetched = async () => (known ??= await load());
  whenQuiet(() => void fetched().catch(() => undefined));
  return function Part(props: P) {
    const [part, setPart] = useState<{ readonly as: ComponentType<P> } | null>(() => known && { as: known });
    useEffect(() => {
      if (part) return;
      let stopped = false;
      let timer: ReturnType<typeof setTimeout>;
      const attempt = () =>
        void fetched().then(
          (as) => !stopped && setPart({ as }),
          () => {
            if (!stopped) timer = setTimeout(attempt, AGAIN_MS);
          },
        );
      attempt();
      return () => {
        stopped = true;
        clearTimeout(timer);
      };
    }, [part]);
    if (!part) return waiting === null ? null : <p className="quiet">{waiting}</p>;
    return <part.as {...props} />;
  };
}
