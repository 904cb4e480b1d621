/**
 * Keys on a job. Here a letter or a figure is always the beginning of a line: it opens the entry line
 * with itself in it. What changes power, stage or log is a function key, or a letter right after Esc.
 */
import { STAGES, type StageId } from '@amber-gauge/core/bench';
import { useEffect, useRef, useState } from 'react';
import { fieldHasFocus } from '../../../shared/ui/focus.js';

/** After Esc the next key within this time is a command, ms. */
const COMMAND_MS = 4000;

/** The key that asks for power. */
export const POWER_KEY = 'F8';

interface Commands {
  readonly onStage: (stage: StageId) => void;
  readonly onPower: () => void;
  readonly onBench: () => void;
  readonly onHold: () => void;
  readonly onEntry: () => void;
}

/** True while the next key is a command. */
export function useJobKeys(commands: Commands): boolean {
  const [armed, setArmed] = useState(false);
  const until = useRef(0);
  const latest = useRef(commands);
  useEffect(() => {
    latest.current = commands;
  });
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const disarm = () => {
      until.current = 0;
      setArmed(false);
      clearTimeout(timer);
    };
    const arm = (event: KeyboardEvent) => {
      if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
      until.current = event.timeStamp + COMMAND_MS;
      setArmed(true);
      clearTimeout(timer);
      timer = setTimeout(disarm, COMMAND_MS);
    };
    const onKey = (event: KeyboardEvent) => {
      if (inDialog()) return;
      if (event.key === POWER_KEY && !event.repeat) {
        event.preventDefault();
        return latest.current.onPower();
      }
      if (event.key === 'Escape') return arm(event);
      const stage = STAGES[Number(/^Digit([1-8])$/.exec(event.code)?.[1] ?? '0') - 1];
      if (event.altKey && !event.ctrlKey && stage) {
        event.preventDefault();
        return latest.current.onStage(stage);
      }
      if (event.ctrlKey || event.metaKey || event.altKey || event.key.length !== 1) return;
      if (event.timeStamp < until.current) {
        event.preventDefault();
        disarm();
        return command(event.key, latest.current);
      }
      if (!fieldHasFocus()) openEntry(event, latest.current);
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
      clearTimeout(timer);
    };
  }, []);
  return armed;
}

const inDialog = (): boolean =>
  document.activeElement?.closest('[role="dialog"],[role="menu"],[role="listbox"]') != null;

/** A key after Esc; one that is no command does nothing. */
function command(key: string, { onStage, onPower, onBench, onHold, onEntry }: Commands): void {
  const stage = STAGES[Number(key) - 1];
  if (stage) onStage(stage);
  else if (key === 'p') onPower();
  else if (key === 'b') onBench();
  else if (key === 'h') onHold();
  else if (key === '/') onEntry();
}

/** The line opens with the letter in it; "/" opens it empty, "?" is the list of keys, Space belongs to what has focus. */
function openEntry(event: KeyboardEvent, { onEntry }: Commands): void {
  if (event.key === ' ' || event.key === '?') return;
  if (event.key === '/') event.preventDefault();
  // The focus moves before the letter is typed, so that the browser types it into the line.
  onEntry();
}
