/** Test tapes and records with their nominal and tolerance: the reference of every tone measuring. */
import type { Source } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { SourceForm } from './SourceForm.js';
import classes from './Setup.module.css';
import { say } from '@amber-gauge/core/words';

export function SourceList({ sources }: { readonly sources: readonly Source[] }) {
  const [editing, setEditing] = useState<string | null>(null);
  return (
    <div>
      {sources.length === 0 && (
        <p>{say`None yet. Add the tape or record you measure with: without its nominal there is no speed error.`}</p>
      )}
      {sources.map((source) =>
        editing === source.id ? (
          <SourceForm key={source.id} source={source} onDone={() => setEditing(null)} />
        ) : (
          <div key={source.id} className={classes.source}>
            <span>{source.name}</span>
            <span className="mono">{source.nominalHz} Hz</span>
            <span>
              {source.tolerancePercent === null
                ? say`tolerance not known: nothing is proved right`
                : `±${source.tolerancePercent} %`}
            </span>
            <Button variant="outlined" onClick={() => setEditing(source.id)}>{say`Change`}</Button>
          </div>
        ),
      )}
      {editing === 'new' ? (
        <SourceForm source={null} onDone={() => setEditing(null)} />
      ) : (
        <Button
          variant="contained"
          sx={{ mt: 2 }}
          onClick={() => setEditing('new')}
        >{say`Add a tape or record`}</Button>
      )}
    </div>
  );
}
