/** Numbers spoken where the browser has a voice: at most one every three seconds, and only what changed. */
import { useEffect, useRef, useState } from 'react';

const EVERY_MS = 3000;

export function useVoice(words: string | null) {
  const [on, setOn] = useState(false);
  const last = useRef({ words: '', at: 0 });
  const can = typeof window !== 'undefined' && 'speechSynthesis' in window;
  useEffect(() => {
    if (!on || !can || words === null) return;
    const now = Date.now();
    if (words === last.current.words || now - last.current.at < EVERY_MS) return;
    last.current = { words, at: now };
    window.speechSynthesis.cancel();
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
  }, [on, can, words]);
  return { can, on, setOn };
}
