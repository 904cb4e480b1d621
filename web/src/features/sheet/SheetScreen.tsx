/** Papers of a job as the page shows them: the owner's sheet and the bench sheet; the browser's print is clean. */
import { benchSheet, sheetModel } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { useJob, useSettings } from '../../shared/api/queries.js';
import { usePartsOfJob } from '../shelf/useShelf.js';
import { BenchPaper } from './BenchPaper.js';
import { SheetPaper } from './SheetPaper.js';
import classes from './Sheet.module.css';
import { PaperLink } from '../../shared/outbox/PaperLink.js';
import { say } from '@amber-gauge/core/words';

export function SheetScreen() {
  const { id = '', paper = 'owner' } = useParams();
  const { data, error } = useJob(id);
  const settings = useSettings().data;
  const parts = usePartsOfJob(data && !data.job.practice ? data.job.number : null);
  const shop = useMemo(
    () => settings && { name: settings.shopName, address: settings.shopAddress, currency: settings.currency },
    [settings],
  );
  const owner = useMemo(
    () => (data && shop && paper === 'owner' ? sheetModel(shop, data.job, data.events, parts) : null),
    [data, shop, parts, paper],
  );
  const bench = useMemo(
    () => (data && shop && paper === 'bench' ? benchSheet(shop, data.job, data.events) : null),
    [data, shop, paper],
  );
  return (
    <div className={classes.screen}>
      <header className={classes.bar}>
        <Link to={`/job/${id}/hand-back`} className={classes.back}>{say`‹ Job`}</Link>
        <PaperLink
          jobId={id}
          file={paper === 'owner' ? 'sheet.pdf' : 'bench-sheet.pdf'}
          variant="contained"
        >{say`Download PDF`}</PaperLink>
        <Button variant="outlined" onClick={() => window.print()}>{say`Print`}</Button>
        <Button component={Link} to={`/job/${id}/sheet${paper === 'owner' ? '/bench' : ''}`}>
          {paper === 'owner' ? say`Bench sheet` : say`Owner’s sheet`}
        </Button>
      </header>
      {error && !data && <p className="danger">{error.message}</p>}
      <main>
        {owner && <SheetPaper model={owner} />}
        {bench && <BenchPaper sheet={bench} />}
      </main>
    </div>
  );
}
