/** Find: readings by place, newest against the one before; what has no place gets one. */
import { isLive, valueWords, type PlacedReading, type PowerState } from '@amber-gauge/core/bench';
import { ReadingField } from '../parts/ReadingField.js';
import { PathFind } from '../find/PathFind.js';
import { useJobFind } from '../find/findContext.js';
import { Moves } from '../mend/Moves.js';
import { Sums } from '../mend/Sums.js';
import { PlaceReading } from '../parts/PlaceReading.js';
import { PhotoAdd } from '../photos/PhotoAdd.js';
import { PhotoStrip } from '../photos/PhotoStrip.js';
import { StageLines } from '../parts/StageLines.js';
import { when } from '../../../shared/ui/when.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';
import { say } from '@amber-gauge/core/words';

export function FindStage({ view, stage, prompt, speedId, onStage }: StageProps) {
  const homeless = view.state.readings.filter((reading) => reading.place === null);
  const find = useJobFind();
  // What the path measures stands between its rows; the rest is listed here.
  const onPath = new Set(
    find?.path.signals.flatMap((one) => (one.measure ? [one.measure.place.replace(/, peak to peak$/, '')] : [])),
  );
  const groups = byPlace(view.state.readings.filter((one) => one.place === null || !onPath.has(one.place)));
  return (
    <>
      {find && view.state.holds.length === 0 ? (
        <PathFind view={view} stage={stage} speedId={speedId} find={find} onStage={onStage} />
      ) : (
        <h1 className="prompt">{prompt.text}</h1>
      )}
      {isLive(view.state.power) && (
        <p className={classes.caution}>{LIVE_CAUTION[view.state.power] ?? say`Live parts. Clip on dead.`}</p>
      )}
      {(!find || view.state.holds.length > 0) && (
        <ReadingField
          view={view}
          stage={stage}
          speedId={speedId}
          prompt={null}
          placeholder={say`as in 27.5 V at reservoir`}
          label={say`Reading and place`}
        />
      )}
      {homeless.map((reading) => (
        <PlaceReading key={reading.key} view={view} stage={stage} reading={reading} />
      ))}
      {!find && groups.length === 0 && homeless.length === 0 && (
        <p className="quiet">{say`No readings yet. From outside in, from easy to hard, from dead to live.`}</p>
      )}
      {groups.length > 0 && (
        <div className={classes.rows} role="table" aria-label={say`Readings by place`}>
          {groups.map(({ place, newest, before }) => (
            <div key={`${place}${newest.key}`} className={classes.place} role="row">
              <span role="cell">{place}</span>
              <span role="cell" className={`mono ${classes.value}`}>
                {valueWords(newest.reading)}
              </span>
              <span role="cell" className="small quiet">
                {before
                  ? say`before: ${valueWords(before.reading)}`
                  : [newest.reading.speedId, newest.reading.condition].filter(Boolean).join(', ')}
              </span>
              <span role="cell" className="row">
                <span className="mono small quiet">{when(newest.at)}</span>
                <PhotoStrip view={view} stage={stage} about={newest.key} />
                <PhotoAdd
                  view={view}
                  stage={stage}
                  about={newest.key}
                  place={place}
                  caption={place}
                  word={say`Photo`}
                  label={say`Photo at ${place}`}
                />
              </span>
            </div>
          ))}
        </div>
      )}
      <StageLines view={view} stage={stage} empty="" kinds={['note']} />
      <Sums view={view} stage={stage} />
      <Moves view={view} stage={stage} kind="test" />
    </>
  );
}

/** By how it is live: mains direct never sees a probe in the hand. */
const LIVE_CAUTION: Readonly<Partial<Record<PowerState, string>>> = {
  'live-isolated': say`Live parts. One hand; clip the black lead first.`,
  'live-direct': say`Live mains. Clip dead, step back, power, read, unplug. Never a probe in the hand.`,
  'pack-in': say`Pack in. Clip on with the pack out, keep clear of blades, then read.`,
};

interface Group {
  readonly place: string;
  readonly newest: PlacedReading;
  readonly before: PlacedReading | null;
}

/** The newest reading of each kind at each place, with the one before of the same kind. */
function byPlace(readings: readonly PlacedReading[]): Group[] {
  const groups = new Map<string, Group>();
  for (const reading of readings) {
    if (reading.place === null) continue;
    const kind = `${reading.place}|${reading.reading.unit}|${reading.reading.qualifier}|${reading.reading.speedId}`;
    groups.set(kind, { place: reading.place, newest: reading, before: groups.get(kind)?.newest ?? null });
  }
  return [...groups.values()].reverse();
}
