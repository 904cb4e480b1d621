/** State that survives a reload of the page: what was typed and not yet saved. */
import { useEffect, useState } from 'react';

export function useStored<T>(key: string, first: T): [T, (value: T) => void] {
  const [value, setValue] = useState<T>(() => {
    try {
      const text = sessionStorage.getItem(key);
      return text === null ? first : (JSON.parse(text) as T);
    } catch {
      return first;
    }
  });
  useEffect(() => {
    sessionStorage.setItem(key, JSON.stringify(value));
  }, [key, value]);
  return [value, setValue];
}
