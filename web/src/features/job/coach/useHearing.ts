/** The tone, or pulses of a shaft, heard while trims are turned: without its wow, with what happened, and the sound that leads the hand. */
import type { Settings } from '@amber-gauge/contract';
import { referenceUncertainty, type ToneSource } from '@amber-gauge/core/bench';
import { soundGuide, watchSpeeds, type GuideNow, type GuideSound, type WatchView } from '@amber-gauge/core/drive';
import type { FamilySpeed } from '@amber-gauge/core/families';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useSettings } from '../../../shared/api/queries.js';
import { guidePlayer, type GuidePlayer } from '../../../shared/sound/guide.js';
import { useLive, type AnyReading } from '../../measuring/live/useLive.js';

/** Where the hand is led: the speed watched (null: whichever is heard), where it should stand and how wide the window is, percent. */
interface Aim {
  readonly speedId: string | null;
  readonly untilPercent: number;
  readonly halfWindowPercent: number;
  readonly stop: boolean;
}

/** Pulses of a shaft on the line input. */
export interface Pulses {
  readonly perTurn: number;
  readonly nominalRpm: number;
}

/** What the coach has heard of the present speed. */
export interface Heard {
  readonly view: WatchView;
  /** Null where nobody knows: pulses lead, a measured run proves. */
  readonly expandedPercent: number | null;
  readonly sound: GuideSound | null;
}

interface Wish {
  readonly speeds: readonly FamilySpeed[];
  readonly source: ToneSource | null;
  /** Pulses a turn and the shaft's turns at the first speed, instead of the tone. */
  readonly pulses: Pulses | null;
  readonly aim: Aim | null;
  readonly onHeard: (heard: Heard) => void;
}

const VOLUME_STEP_DB = 3;

/** Turns or tape of a speed beside the first one's: the same record sounds so much higher. */
const pace = (speed: FamilySpeed): number => speed.nominalRpm ?? speed.nominalCmPerS ?? 1;

/** Listens for the coach while it stands open. */
export function useHearing({ speeds, source, pulses, aim, onHeard }: Wish) {
  const settings = useSettings().data;
  const [heard, setHeard] = useState<Heard | null>(null);
  const watch = useRef(watchSpeeds([]));
  const guide = useRef(soundGuide());
  const { player, open, silence, ...sound } = useSound(pulses ? null : (source?.nominalHz ?? null));
  const now = useRef({ aim, onHeard });
  useEffect(() => {
    now.current = { aim, onHeard };
  });
  const live = useLive(
    (reading) => {
      const view = watch.current.push(reading.atS, rateOf(reading));
      const expandedPercent = reading.kind === 'tone' ? reading.mean.expandedPercent : null;
      const { aim: wanted, onHeard: tell } = now.current;
      const toneHz = pulses ? null : (source?.nominalHz ?? null);
      const led = wanted && { wanted, view, expandedPercent: expandedPercent ?? Infinity, toneHz };
      const said = led ? guide.current.push(reading.atS, guideNow(led)) : null;
      if (said) player.current?.play(said);
      const one = { view, expandedPercent, sound: said };
      setHeard(one);
      tell(one);
    },
    () => undefined,
  );
  const start = (device?: string) => {
    const first = speeds[0];
    if (!first || (!source && !pulses)) return;
    watch.current = watchOf(speeds, first, pulses ? pulses.nominalRpm : (source?.nominalHz ?? 1), pulses !== null);
    guide.current = soundGuide();
    open();
    if (pulses) void live.start((sampleRate) => ({ of: 'pulses', wish: { ...pulses, sampleRate } }), device);
    else if (source) void live.start((sampleRate) => listening(sampleRate, source, first, settings), device);
  };
  useAwake(live.state === 'on');
  return {
    heard,
    live,
    start,
    stop: () => {
      silence();
      live.stop();
    },
    ...sound,
  };
}

/** The player of the guide's sound, on or off, louder or softer. */
function useSound(toneHz: number | null) {
  const [sounding, setOn] = useState(true);
  const [decibels, setDecibels] = useState(0);
  const player = useRef<GuidePlayer | null>(null);
  const listens = useRef(false);
  const silence = useCallback(() => {
    listens.current = false;
    player.current?.close();
    player.current = null;
  }, []);
  useEffect(() => silence, [silence]);
  const open = (on = sounding) => {
    silence();
    listens.current = true;
    player.current = on ? guidePlayer(toneHz) : null;
    player.current?.volume(decibels);
  };
  const louder = useCallback(
    (steps: number) => setDecibels((old) => Math.max(-30, Math.min(12, old + steps * VOLUME_STEP_DB))),
    [],
  );
  useEffect(() => player.current?.volume(decibels), [decibels]);
  const setSounding = (on: boolean) => {
    setOn(on);
    if (listens.current) open(on);
  };
  return { player, open, silence, sounding, setSounding, decibels, louder };
}

const turnS = (speed: FamilySpeed): number | null => (speed.nominalRpm === null ? null : 60 / speed.nominalRpm);

/** What is heard as a rate: hertz of the tone, or turns a minute of the shaft; null for nothing. */
const rateOf = (reading: AnyReading): number | null =>
  'pulses' in reading ? reading.rpm : reading.kind === 'tone' ? reading.hz : null;

/** Pulses come as the mean of two turns: nothing of the wow is left to take off. */
const watchOf = (speeds: readonly FamilySpeed[], first: FamilySpeed, nominalHz: number, averaged: boolean) =>
  watchSpeeds(
    speeds.map((speed) => ({
      id: speed.id,
      nominalHz: (nominalHz * pace(speed)) / pace(first),
      turnS: averaged ? null : turnS(speed),
    })),
  );

const listening = (
  sampleRate: number,
  source: ToneSource,
  first: FamilySpeed,
  settings: Pick<Settings, 'clockLimitPpm' | 'clockCorrectionPpm'> | undefined,
) => ({
  of: 'tone' as const,
  wish: {
    sampleRate,
    nominalHz: source.nominalHz,
    turnS: turnS(first),
    referenceUncertaintyPercent: referenceUncertainty(source),
    clockLimitPercent: (settings?.clockLimitPpm ?? 100) / 1e4,
    clockCorrectionPpm: settings?.clockCorrectionPpm ?? 0,
  },
});

interface Led {
  readonly wanted: Aim;
  readonly view: WatchView;
  readonly expandedPercent: number;
  readonly toneHz: number | null;
}

const isHere = (wanted: Aim, view: WatchView): boolean => wanted.speedId === null || view.speedId === wanted.speedId;

/** Beside its target where the watched speed is heard; nothing to lead by where another is. */
const guideNow = ({ wanted, view, expandedPercent, toneHz }: Led): GuideNow => ({
  offPercent: isHere(wanted, view) && view.errorPercent !== null ? view.errorPercent - wanted.untilPercent : null,
  elsewhere: view.errorPercent !== null && !isHere(wanted, view),
  expandedPercent,
  halfWindowPercent: wanted.halfWindowPercent,
  toneHz,
  stop: wanted.stop,
});

/** The screen of a phone stays awake while it listens. */
function useAwake(active: boolean): void {
  useEffect(() => {
    if (!active || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    navigator.wakeLock.request('screen').then(
      (one) => {
        lock = one;
        if (gone) void one.release();
      },
      () => undefined,
    );
    return () => {
      gone = true;
      void lock?.release();
    };
  }, [active]);
}
