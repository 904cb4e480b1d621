/** A part of the page that is read when it is first needed. What cannot be had is tried again, and never takes the screen down. */
import { useEffect, useState, type ComponentType } from 'react';

/** Between tries, ms. */
const AGAIN_MS = 3000;

/** `load` gives the component; until it has come, `waiting` stands in its place. */
export function lazyPart<P extends object>(
  load: () => Promise<ComponentType<P>>,
  waiting: string | null = null,
): ComponentType<P> {
  let known: ComponentType<P> | null = null;
  const fetched = async () => (known ??= await load());
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
