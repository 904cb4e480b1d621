/** A photo at full size: arrows, labels and numbers are laid on top and never burnt in. */
import type { JobPhoto, PhotoMark, StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import { Field } from '../../../shared/ui/Field.js';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { MarkedPhoto } from './MarkedPhoto.js';
import { usePicture } from './usePicture.js';
import classes from './Photos.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly shown: JobPhoto;
  readonly onClose: () => void;
}

const TOOLS: readonly { readonly shape: PhotoMark['shape']; readonly word: string }[] = [
  { shape: 'arrow', word: say`arrow` },
  { shape: 'number', word: say`number` },
  { shape: 'label', word: say`label` },
];

export function PhotoView({ view, stage, shown, onClose }: Props) {
  const address = usePicture(shown.photo.photoId, false);
  const [marks, setMarks] = useState(shown.marks);
  const [tool, setTool] = useState<PhotoMark['shape']>('arrow');
  const [text, setText] = useState('');
  const changed = JSON.stringify(marks) !== JSON.stringify(shown.marks);
  const add = (mark: Omit<PhotoMark, 'text' | 'shape'>) => {
    const number = marks.filter((one) => one.shape === 'number').length + 1;
    const words = tool === 'number' ? String(number) : tool === 'label' ? text.trim() || say`here` : '';
    setMarks([...marks, { ...mark, shape: tool, text: words }]);
  };
  const keep = () => {
    void submitLines(view.job.id, makeLine(stage, { kind: 'marks', target: shown.key, marks }));
    onClose();
  };
  return (
    <Dialog open onClose={onClose} maxWidth={false} fullScreen aria-label={say`Photo`}>
      <DialogContent className={classes.view ?? ''}>
        <div className="row">
          <ToggleButtonGroup
            exclusive
            value={tool}
            onChange={(_event, one: PhotoMark['shape'] | null) => one && setTool(one)}
            aria-label={say`Mark with`}
          >
            {TOOLS.map((one) => (
              <ToggleButton key={one.shape} value={one.shape} sx={{ minHeight: 56 }}>
                {one.word}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          {tool === 'label' && (
            <Field label={say`Label`} value={text} onChange={(event) => setText(event.target.value)} />
          )}
          <Button
            disabled={marks.length === 0}
            onClick={() => setMarks(marks.slice(0, -1))}
          >{say`Take the last mark off`}</Button>
          <span className="quiet">{tool === 'arrow' ? say`Drag from tail to tip.` : say`Tap where it belongs.`}</span>
        </div>
        <MarkedPhoto address={address} photo={shown.photo} marks={marks} tool={tool} onMark={add} />
      </DialogContent>
      <DialogActions>
        <Button variant="outlined" onClick={onClose}>
          {changed ? say`Leave as it was` : say`Close`}
        </Button>
        <Button variant="contained" disabled={!changed} onClick={keep}>{say`Keep the marks`}</Button>
      </DialogActions>
    </Dialog>
  );
}
