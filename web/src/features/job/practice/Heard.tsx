/** What the practice microphone took, to be heard by ear. */
import Button from '@mui/material/Button';
import { playSound } from '../prove/clipSound.js';
import { usePracticeStands } from '../../measuring/ways/practiceStands.js';
import { say } from '@amber-gauge/core/words';

export function Heard() {
  const wav = usePracticeStands((state) => state.wav);
  if (!wav) return null;
  return <Button variant="outlined" onClick={() => void playSound(wav, 0)}>{say`Play what it took`}</Button>;
}
