/** The live view: what another device hears, as large as the screen allows, for a tablet across the bench. */
import { liveFrameSchema, type LiveFrame } from '@amber-gauge/contract';
import { errorDecimals, fixed, signed } from '@amber-gauge/core/quantity';
import { centreLabel, judge, verdictWords } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { RibbonLarge } from '../../shared/ribbon/RibbonLarge.js';
import { askCapture } from '../../shared/live/share.js';
import { useCaptureKey } from '../measuring/live/useCaptureKey.js';
import classes from './Live.module.css';
import { say } from '@amber-gauge/core/words';

/** Nothing new for so long: the other device has stopped. */
const GONE_MS = 2500;
const TRAIL = 600;
/** What came of a capture stays so long. */
const TOLD_MS = 10_000;

interface Followed {
  readonly frame: LiveFrame | null;
  readonly trail: readonly number[];
}

export function LiveScreen() {
  const screen = useRef<HTMLElement>(null);
  const { frame, trail } = useFollowed();
  const sender = frame?.sender ?? null;
  const [told, tell] = useTold(frame);
  const capture = useCallback(() => {
    if (sender === null) return;
    askCapture(sender).then(
      () => tell(say`Asked to keep it`),
      () => tell(say`It could not be asked: the server is away`),
    );
  }, [sender, tell]);
  const captureKey = useCaptureKey(sender !== null, capture);
  if (!frame)
    return (
      <main className={classes.screen}>
        <h1 className="prompt">{say`Nothing is heard on another device`}</h1>
        <p>
          {say`Listen to a tone there, at the `}
          <Link to="/speed">{say`speed desk`}</Link>
          {say`, in a job’s Set speed or with the trim coach: its ribbon follows here.`}
        </p>
      </main>
    );
  const limits = {
    lowerPercent: frame.lowerPercent,
    upperPercent: frame.upperPercent,
    origin: { kind: 'chosen', text: '' } as const,
  };
  const decimals = errorDecimals(frame.expandedPercent);
  return (
    <main className={classes.screen} aria-label={say`Live view`} ref={screen}>
      <p className={classes.what}>
        {frame.what}, {frame.speedLabel}
      </p>
      {frame.todo && <p className={classes.todo}>{frame.todo}</p>}
      <RibbonLarge
        reading={{
          turned: true,
          errorPercent: frame.edgePercent,
          expandedPercent: frame.expandedPercent,
          wowPeakPercent: frame.wowPercent,
        }}
        limits={limits}
        centre={centreLabel(frame.nominalRpm, frame.speedLabel)}
        trail={{ stepS: 0.1, errorPercent: trail }}
        describe={frame.words}
      />
      <p className={classes.number} data-testid="followed-number">
        {frame.meanPercent === null ? '–' : `${signed(frame.meanPercent, decimals)}\u202f%`}
        {frame.expandedPercent !== null && (
          <span className={classes.spread}>± {fixed(frame.expandedPercent, decimals)} %</span>
        )}
      </p>
      <p className={classes.words} role="status">
        {frame.meanPercent === null
          ? frame.words
          : `${verdictWords(judge(frame.meanPercent, frame.expandedPercent, limits))}, ${frame.words}`}
      </p>
      <div className="row">
        <Button
          variant="contained"
          className={classes.key ?? ''}
          onClick={capture}
          title={say`Key ${captureKey}`}
        >{say`Capture`}</Button>
        <span className={classes.told} role="status" aria-label={say`What came of the capture`}>
          {told}
        </span>
        <Button
          variant="outlined"
          className={classes.key ?? ''}
          onClick={() => void screen.current?.requestFullscreen().catch(() => undefined)}
        >{say`Full screen`}</Button>
      </div>
    </main>
  );
}

/** What is told of a capture for a while, within the view (it may fill the screen): that it was asked for, then what came of it. */
function useTold(frame: LiveFrame | null): [string | null, (words: string) => void] {
  const [told, setTold] = useState<string | null>(null);
  const seen = useRef<{ readonly sender: string; readonly count: number } | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const tell = useCallback((words: string) => {
    setTold(words);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => setTold(null), TOLD_MS);
  }, []);
  useEffect(() => () => clearTimeout(timer.current), []);
  useEffect(() => {
    if (!frame) return;
    const { sender, kept } = frame;
    const count = kept?.count ?? 0;
    // What came of a capture before this screen followed that device is not for it.
    if (kept && seen.current?.sender === sender && count > seen.current.count) tell(kept.words);
    seen.current = { sender, count };
  }, [frame, tell]);
  return [told, tell];
}

/** The newest frame, and the edge of the last minute. */
function useFollowed(): Followed {
  const [followed, setFollowed] = useState<Followed>({ frame: null, trail: [] });
  useEffect(() => {
    const source = new EventSource('/api/v1/live/stream');
    let gone: ReturnType<typeof setTimeout> | undefined;
    source.addEventListener('frame', (event: MessageEvent<string>) => {
      const read = liveFrameSchema.safeParse(JSON.parse(event.data));
      if (!read.success) return;
      const frame = read.data;
      clearTimeout(gone);
      gone = setTimeout(() => setFollowed({ frame: null, trail: [] }), GONE_MS);
      setFollowed((old) => ({
        frame,
        trail: frame.edgePercent === null ? old.trail : [...old.trail, frame.edgePercent].slice(-TRAIL),
      }));
    });
    return () => {
      clearTimeout(gone);
      source.close();
    };
  }, []);
  return followed;
}
