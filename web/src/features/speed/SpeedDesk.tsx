/** The speed desk: measure at once, without a job; file it to one after. */
import type { Source, Run } from '@amber-gauge/contract';
import { speedFromRun, toleranceOfUse, toleranceWords, jobTolerance } from '@amber-gauge/core/bench';
import { familyOf, FAMILIES, type FamilySpeed } from '@amber-gauge/core/families';
import { figureInUse, FLUTTER_STANDARDS, judge } from '@amber-gauge/core/speed';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { useRun, useRuns, useSettings, useSources } from '../../shared/api/queries.js';
import { lazyPart } from '../../shared/ui/lazyPart.js';
import { useStored } from '../../shared/ui/useStored.js';
import { useJobSource } from '../../shared/api/useJobSource.js';
import { FileRun } from '../measuring/parts/FileRun.js';
import { ImportRun } from '../measuring/parts/ImportRun.js';
import { MachineChoice } from '../measuring/parts/MachineChoice.js';
import { RunList } from '../measuring/parts/RunList.js';
import { SpeedReadout } from '../measuring/parts/SpeedReadout.js';
import { Warnings } from '../measuring/parts/Warnings.js';
import { storeRun } from '../measuring/storeRun.js';
import { useParts } from '../measuring/useParts.js';
import { Ways } from '../measuring/ways/Ways.js';
import { wayOf, waysFor, type Way } from '../measuring/ways/way.js';
import { isToday } from '../../shared/ui/when.js';
import classes from '../measuring/Desk.module.css';
import { say } from '@amber-gauge/core/words';

const RunDetail = lazyPart(() => import('../measuring/parts/RunDetail.js').then((module) => module.RunDetail));

export function SpeedDesk() {
  const sources = useSources().data ?? [];
  const [familyId, setFamilyId] = useStored('desk-family', FAMILIES[0]?.id ?? '');
  const family = familyOf(familyId);
  const [speedId, setSpeedId] = useStored('desk-speed', family.usualSpeeds[0] ?? '');
  const [wishedWay, setWay] = useStored<Way>('desk-way', 'recording');
  const { source, choose } = useJobSource({ familyId }, sources);
  const runs = useRuns(null).data ?? [];
  const [chosen, setChosen] = useState<string | null>(null);
  const [compared, setCompared] = useState<string | null>(null);
  const [live, setLive] = useState(false);
  const detail = useRef<HTMLDivElement>(null);
  // Opened, it shows what was measured today in the way shown; another day's figure only when it is chosen.
  const today = runs.find((one) => isToday(one.measuredAt) && wayOf(one.figures.detail) === wishedWay);
  const run = useRun(chosen ?? today?.id ?? null).data ?? null;
  const before = useRun(compared).data ?? null;
  const speed = (family.speeds.find((one) => one.id === speedId) ?? family.speeds[0]) as FamilySpeed;
  const parts = useParts(family, speed);
  const ways = waysFor(family, speed);
  const way = ways.includes(wishedWay) ? wishedWay : (ways[0] as Way);
  const tolerance = toleranceOfUse(family);
  const limits = jobTolerance({ tolerance });
  const sourceName = nameOf(sources, run?.sourceId);
  const show = (id: string) => {
    const picked = runs.find((one) => one.id === id);
    if (picked) setWay(wayOf(picked.figures.detail));
    setChosen(id);
  };
  return (
    <main className={classes.desk}>
      {!live && run && (
        <Measured run={run} speed={speed} familyId={familyId} sources={sources} onFiled={() => setChosen(null)} />
      )}
      {!live && !run ? (
        <h1 className="prompt">{say`Nothing measured today: choose a way and measure`}</h1>
      ) : (
        <h1 className="off-screen">{say`Speed desk`}</h1>
      )}
      <Ways
        ways={ways}
        way={way}
        onWay={(chosenWay) => {
          setLive(false);
          setChosen(null);
          setWay(chosenWay);
        }}
        family={family}
        speed={speed}
        limits={limits}
        source={source}
        sources={sources}
        onSource={choose}
        onLive={setLive}
        onMeasured={async (measured) => {
          if (measured.speedId) setSpeedId(measured.speedId);
          setChosen((await storeRun(measured, null)).id);
        }}
      >
        <MachineChoice
          family={family}
          speed={speed}
          onFamily={(id) => {
            setFamilyId(id);
            setSpeedId(familyOf(id).usualSpeeds[0] ?? '');
          }}
          onSpeed={setSpeedId}
        />
      </Ways>
      {!live && run && (
        <div ref={detail}>
          <RunDetail run={run} before={before} parts={parts} sourceName={sourceName} />
        </div>
      )}
      <div className={classes.choices}>
        <ImportRun
          onImported={(kept) => {
            setWay(wayOf(kept.figures.detail));
            setChosen(kept.id);
          }}
        />
        <Link to="/speed/tones">{say`Make a test tone`}</Link>
        <Link to="/live">{say`Live view for a second screen`}</Link>
      </div>
      <RunList
        runs={runs}
        chosen={run?.id ?? null}
        onChoose={show}
        compared={compared}
        onCompare={(id) => {
          // Nothing is shown yet to lay it under: it is shown itself.
          if (!run) return show(id);
          setCompared(id === compared ? null : id);
          detail.current?.scrollIntoView();
        }}
      />
    </main>
  );
}

const nameOf = (sources: readonly Source[], id: string | null | undefined): string | null =>
  sources.find((one) => one.id === id)?.name ?? null;

interface MeasuredProps {
  readonly run: Run;
  readonly speed: FamilySpeed;
  readonly familyId: string;
  readonly sources: readonly Source[];
  readonly onFiled: () => void;
}

/** The figure of a run with its ribbon, what is to be minded about it, and the way to a job. */
function Measured({ run, speed, familyId, sources, onFiled }: MeasuredProps) {
  const standard = useSettings().data?.flutterStandard ?? FLUTTER_STANDARDS[0];
  const tolerance = toleranceOfUse(familyOf(familyId));
  const limits = jobTolerance({ tolerance });
  const reading = speedFromRun(run.figures, speed, nameOf(sources, run.sourceId), run.id);
  return (
    <>
      <SpeedReadout
        reading={reading}
        verdict={judge(reading.errorPercent ?? 0, reading.expandedPercent, limits)}
        limits={limits}
        nominalRpm={speed.nominalRpm}
        centre={speed.nominalRpm === null ? null : speed.label}
        origin={toleranceWords({ tolerance })}
        trail={run.figures.series}
        wow={figureInUse(run.figures, standard)}
      >
        <FileRun run={run} speed={speed} reading={reading} familyId={familyId} onFiled={onFiled} />
      </SpeedReadout>
      <Warnings figures={run.figures} />
    </>
  );
}
