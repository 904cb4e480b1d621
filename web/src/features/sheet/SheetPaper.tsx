/** The sheet itself, from the same model as the PDF. */
import type { SheetModel, SheetSpeed, SheetSpeedSide } from '@amber-gauge/core/bench';
import { whenFull } from '../../shared/ui/when.js';
import { PhotoMarks } from './PhotoMarks.js';
import { RibbonPrint } from './RibbonPrint.js';
import classes from './Sheet.module.css';
import { say } from '@amber-gauge/core/words';

export function SheetPaper({ model }: { readonly model: SheetModel }) {
  return (
    <article className={classes.paper} aria-label={say`Hand-back sheet`}>
      <header className={classes.head}>
        <span className="quiet">{[model.shop.name, model.shop.address].filter(Boolean).join(', ')}</span>
        <strong>{say`Job ${model.number}`}</strong>
      </header>
      <h1 className={classes.unit}>{model.unit}</h1>
      <dl className={classes.facts}>
        {model.facts.map((fact) => (
          <div key={fact.label}>
            <dt>{fact.label}</dt>
            <dd>{fact.value}</dd>
          </div>
        ))}
      </dl>
      {model.complaint && (
        <Section title={say`What was wrong`}>
          <p>{model.complaint}</p>
        </Section>
      )}
      <Section title={say`Speed, as found and as left`}>
        <p className="small quiet">{say`Tolerance ${model.toleranceWords}`}</p>
        {model.speeds.map((speed) => (
          <SpeedBlock key={speed.label} speed={speed} model={model} />
        ))}
      </Section>
      {model.found.length > 0 && (
        <Section title={say`What was found`}>
          {model.found.map((one) => (
            <div key={one.text}>
              <p>{one.text}</p>
              {one.by.map((by) => (
                <p key={by} className={`mono small quiet ${classes.by}`}>
                  {by}
                </p>
              ))}
            </div>
          ))}
        </Section>
      )}
      <Rows title={say`What was done`} rows={model.done} />
      <List title={say`Parts that went in`} items={model.parts} />
      {model.shown.length > 0 && <Pairs title={model.proved ? say`Proved` : say`Shown so far`} rows={model.shown} />}
      {model.notShown.length > 0 && <Pairs title={say`Not proved`} rows={model.notShown} />}
      <Rows title={say`Notes`} rows={model.notes} />
      {model.photos.length > 0 && (
        <Section title={say`Photos`}>
          <div className={classes.photos}>
            {model.photos.map((one) => (
              <figure key={one.photoId}>
                <div className={classes.marked}>
                  <img src={`/api/v1/photos/${one.photoId}`} alt={one.caption || 'photo'} />
                  <PhotoMarks {...one} />
                </div>
                <figcaption className="small quiet">{one.caption}</figcaption>
              </figure>
            ))}
          </div>
        </Section>
      )}
      <List title={say`Left undone`} items={model.leftUndone ? [model.leftUndone] : []} />
      <List title={say`What to watch`} items={model.watch ? [model.watch] : []} />
      <List title={say`Mind`} items={model.cautions} />
      <List title={say`Come again`} items={model.comeAgain.map(({ on, what }) => `${on}: ${what}`)} />
      {model.price && (
        <Section title={say`Price`}>
          <p className={`mono ${classes.value}`}>{model.price}</p>
        </Section>
      )}
      <p className={`small quiet ${classes.caution}`}>{model.caution}</p>
    </article>
  );
}

function Section({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <section className={classes.section}>
      <h2>{title}</h2>
      {children}
    </section>
  );
}

function List({ title, items }: { readonly title: string; readonly items: readonly string[] }) {
  if (items.length === 0) return null;
  return (
    <Section title={title}>
      {items.map((item) => (
        <p key={item}>{item}</p>
      ))}
    </Section>
  );
}

/** What was shown or not, with its figures or its reason. */
function Pairs({ title, rows }: { readonly title: string; readonly rows: SheetModel['notShown'] }) {
  return (
    <Section title={title}>
      <table className={classes.table}>
        <tbody>
          {rows.map((row) => (
            <tr key={row.name}>
              <td>{row.name}</td>
              <td className="mono small">{row.words}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Section>
  );
}

function Rows({ title, rows }: { readonly title: string; readonly rows: SheetModel['done'] }) {
  if (rows.length === 0) return null;
  return (
    <Section title={title}>
      <table className={classes.table}>
        <tbody>
          {rows.map((row) => (
            <tr key={row.at + row.text}>
              <td className="mono small quiet">{whenFull(row.at)}</td>
              <td>{row.text}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Section>
  );
}

function SpeedBlock({ speed, model }: { readonly speed: SheetSpeed; readonly model: SheetModel }) {
  return (
    <div className={classes.speed}>
      <h3>{speed.label}</h3>
      <RibbonPrint speed={speed} limits={model.tolerance} />
      <div className={classes.sides}>
        <Side title={say`As found`} side={speed.asFound} />
        <Side title={say`As left`} side={speed.asLeft} />
      </div>
    </div>
  );
}

function Side({ title, side }: { readonly title: string; readonly side: SheetSpeedSide | null }) {
  if (!side) return <p className="small quiet">{say`${title}: not measured`}</p>;
  return (
    <div data-side={title}>
      <p className="small quiet">
        {title}, {whenFull(side.at)}
      </p>
      <p className={`mono ${classes.value}`}>{side.words}</p>
      {side.verdict && <p>{side.verdict}</p>}
      <p className="small quiet">{side.how}</p>
    </div>
  );
}
