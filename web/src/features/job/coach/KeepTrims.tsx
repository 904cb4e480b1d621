/** What was learnt of the trims, kept on the model's sheet: where they sit and which way is faster. */
import { modelOf, trimDoes, type JobCoach } from '@amber-gauge/core/bench';
import type { ModelTrim } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { keepSheet } from '../../../shared/api/keepSheet.js';
import { useSheet } from '../../../shared/api/queries.js';
import { notice } from '../../../shared/ui/Notice.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

export function KeepTrims({ view, course }: { readonly view: JobView; readonly course: JobCoach }) {
  const model = modelOf(view.job);
  const kept = useSheet(view.job.familyId, model, model !== '');
  const [problem, setProblem] = useState<string | null>(null);
  if (model === '' || !kept) return null;
  const { task } = course;
  const trims = task.trims.map((trim): ModelTrim => {
    const before = kept.sheet.trims?.find((one) => one.id === trim.id);
    return {
      id: trim.id,
      name: before?.name ?? trim.name,
      serves: [...trim.serves],
      where: before?.where ?? '',
      faster: trimDoes(task, course, trim.id)?.faster ?? trim.faster,
      travelTurns: trim.travelTurns,
    };
  });
  const keep = async () => {
    const wrong = await keepSheet(view.job.familyId, kept, { ...kept.sheet, trims });
    setProblem(wrong);
    if (wrong === null) notice(say`Kept on the sheet`);
  };
  const same = JSON.stringify(kept.sheet.trims ?? []) === JSON.stringify(trims);
  return (
    <>
      <Button variant="outlined" disabled={same} onClick={() => void keep()} sx={{ alignSelf: 'flex-start' }}>
        {same ? say`These trims stand on the model’s sheet` : say`Keep these trims on the model’s sheet`}
      </Button>
      {problem && (
        <p role="alert" className="danger">
          {problem}
        </p>
      )}
    </>
  );
}
