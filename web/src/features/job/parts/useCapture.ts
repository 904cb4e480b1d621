/** The capture key: with both hands busy it stamps the time and the prompt; the value is typed onto it later. */
import type { StageId } from '@amber-gauge/core/bench';
import { useRef } from 'react';
import { useSettings } from '../../../shared/api/queries.js';
import { serverTimeOf } from '../../../shared/outbox/clock.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { fieldHasFocus } from '../../../shared/ui/focus.js';
import { isCapture } from '../../../shared/ui/isCapture.js';
import { useWindowEvent } from '../../../shared/ui/useWindowEvent.js';

/** A space this soon after another key belongs to a sentence typed blind, ms. */
const TYPING_MS = 3000;

/** The stamp of a press of the capture key. */
export const holdLine = (stage: StageId, prompt: string, at?: Date) => makeLine(stage, { kind: 'hold', prompt }, at);

/** Takes presses of the capture key while a job stands open. */
export function useCapture(jobId: string, stage: StageId, prompt: string): void {
  const captureKey = useSettings().data?.captureKey ?? 'F9';
  const typed = useRef(-Infinity);
  useWindowEvent('keydown', (event) => {
    const typing = event.timeStamp - typed.current < TYPING_MS;
    if (event.key.length === 1 && event.key !== ' ') typed.current = event.timeStamp;
    if (event.key === ' ' && typing) return;
    if (!isCapture(event, captureKey, fieldHasFocus())) return;
    event.preventDefault();
    void submitLines(jobId, holdLine(stage, prompt, serverTimeOf(event.timeStamp)));
  });
}
