/** Small photos in a row; tapping one opens it with its marks. */
import type { JobPhoto, StageId } from '@amber-gauge/core/bench';
import { useState } from 'react';
import { lazyPart } from '../../../shared/ui/lazyPart.js';
import { when } from '../../../shared/ui/when.js';
import type { JobView } from '../useJobView.js';
import { usePicture } from './usePicture.js';
import classes from './Photos.module.css';
import { say } from '@amber-gauge/core/words';

const PhotoView = lazyPart(() => import('./PhotoView.js').then((module) => module.PhotoView));

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  /** Photos of this line only; null shows all that show no line. */
  readonly about: string | null;
}

export function PhotoStrip({ view, stage, about }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  const photos = view.state.photos.filter((one) => one.photo.about === about);
  if (photos.length === 0) return null;
  const shown = photos.find((one) => one.key === open);
  return (
    <>
      <ul className={classes.strip} aria-label={say`Photos`}>
        {photos.map((one) => (
          <li key={one.key}>
            <Thumb one={one} onOpen={() => setOpen(one.key)} />
          </li>
        ))}
      </ul>
      {shown && <PhotoView view={view} stage={stage} shown={shown} onClose={() => setOpen(null)} />}
    </>
  );
}

function Thumb({ one, onOpen }: { readonly one: JobPhoto; readonly onOpen: () => void }) {
  const address = usePicture(one.photo.photoId, true);
  const words = one.photo.caption || say`photo ${when(one.at)}`;
  return (
    <button type="button" className={classes.thumb} onClick={onOpen} aria-label={say`Open ${words}`}>
      <img src={address} alt={words} />
      {one.marks.length > 0 && <span className={classes.count}>{one.marks.length}</span>}
    </button>
  );
}
