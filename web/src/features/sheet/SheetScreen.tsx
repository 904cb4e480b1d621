/** The hand-back sheet as the page shows it; the browser's print is clean. */
import { sheetModel } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { useJob, useSettings } from '../../shared/api/queries.js';
import { SheetPaper } from './SheetPaper.js';
import classes from './Sheet.module.css';

export function SheetScreen() {
  const { id = '' } = useParams();
  const { data, error } = useJob(id);
  const settings = useSettings().data;
  const model = useMemo(
    () =>
      data && settings
        ? sheetModel({ name: settings.shopName, address: settings.shopAddress }, data.job, data.events)
        : null,
    [data, settings],
  );
  return (
    <div className={classes.screen}>
      <header className={classes.bar}>
        <Link to={`/job/${id}/hand-back`} className={classes.back}>
          ‹ Job
        </Link>
        <Button variant="contained" component="a" href={`/api/v1/jobs/${id}/sheet.pdf`}>
          Download PDF
        </Button>
        <Button variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
      </header>
      {error && !model && <p className="danger">{error.message}</p>}
      <main>{model && <SheetPaper model={model} />}</main>
    </div>
  );
}
