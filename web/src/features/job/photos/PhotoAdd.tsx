/** Takes photos from the camera or from files, many at once, with progress; each is safe here before it is sent. */
import type { StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { serverNow } from '../../../shared/outbox/clock.js';
import { makeLine, submitWith } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { NotAPhoto, shrink } from './shrink.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  /** The line it shows. */
  readonly about: string | null;
  readonly place?: string | null;
  /** Called before the first photo is kept; gives the line it shows when there is one now. */
  readonly onBefore?: () => string | null;
  /** What it shows, in words. */
  readonly caption?: string;
  readonly word: string;
  readonly label?: string;
}

export function PhotoAdd({ view, stage, about, place = null, onBefore, caption = '', word, label }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [progress, setProgress] = useState<string | null>(null);
  const [problems, setProblems] = useState<readonly string[]>([]);
  const take = async (files: readonly File[]) => {
    const target = onBefore?.() ?? about;
    const failed: string[] = [];
    // Stamped when they were chosen: shrinking takes a moment, and the next line may be typed meanwhile.
    const chosen = serverNow();
    for (const [i, file] of files.entries()) {
      setProgress(files.length === 1 ? say`Keeping it` : say`${i + 1} of ${files.length}`);
      try {
        const { bytes, thumb, width, height } = await shrink(file);
        const photoId = crypto.randomUUID();
        const body = { kind: 'photo', photoId, caption, width, height, about: target, place } as const;
        await submitWith(view.job.id, makeLine(stage, body, chosen), { picture: { photoId, bytes, thumb } });
      } catch (error) {
        failed.push(error instanceof NotAPhoto ? error.message : say`${file.name} could not be kept here.`);
      }
    }
    setProblems(failed);
    setProgress(null);
  };
  return (
    <span>
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png,image/webp,image/*"
        multiple
        hidden
        aria-label={label ?? word}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          if (files.length > 0) void take(files);
        }}
      />
      <Button
        variant="outlined"
        disabled={progress !== null}
        onClick={() => input.current?.click()}
        aria-label={label ?? word}
        sx={{ minHeight: 56 }}
      >
        {progress ?? word}
      </Button>
      {problems.map((problem) => (
        <span key={problem} className="danger" role="alert">
          {problem}
        </span>
      ))}
    </span>
  );
}
