/** Two motors as they are seen from the shaft end, each with the way it turns: a wrong sense is the costly mistake. */
import { senseFromShaft, type Working, type WorkingTexts } from '@amber-gauge/core/workings';
import { ownEntry } from '@amber-gauge/core/quantity';
import classes from './Workings.module.css';
import { say } from '@amber-gauge/core/words';

type Sense = Parameters<typeof senseFromShaft>[0];
type Side = Parameters<typeof senseFromShaft>[1];

export function SenseDrawing({ texts, working }: { readonly texts: WorkingTexts; readonly working: Working }) {
  const of = (id: string) => ownEntry(texts, id) ?? working.fields.find((field) => field.id === id)?.usual ?? '';
  const wanted = senseFromShaft(of('sense') as Sense, of('side') as Side);
  const has = senseFromShaft(of('newSense') as Sense, of('newSide') as Side);
  return (
    <div
      className={classes.motors}
      role="img"
      aria-label={say`Seen from the shaft end: wanted ${wanted}, candidate ${has}`}
    >
      <Motor sense={wanted} name="belongs here" />
      <Motor sense={has} name={has === wanted ? say`candidate: the same` : say`candidate: the other way`} />
    </div>
  );
}

/** The face by the shaft, two screws, and an arrow round the shaft. */
function Motor({ sense, name }: { readonly sense: Sense; readonly name: string }) {
  const turn = sense === 'clockwise' ? '' : 'translate(120 0) scale(-1 1)';
  return (
    <figure>
      <svg width={120} height={120} viewBox="0 0 120 120" aria-hidden="true">
        <circle cx={60} cy={60} r={56} className={classes.housing} />
        <circle cx={60} cy={60} r={6} className={classes.shaft} />
        <circle cx={60} cy={14} r={4} className={classes.housing} />
        <circle cx={60} cy={106} r={4} className={classes.housing} />
        <g transform={turn}>
          <path d="M34 86A37 37 0 1 1 86 86" className={classes.arrow} />
          <path d="M92 74L86 90L74 80Z" className={classes.head} />
        </g>
      </svg>
      <figcaption>
        {name}
        <br />
        <span className="quiet">{say`seen from the shaft end: ${sense}`}</span>
      </figcaption>
    </figure>
  );
}
