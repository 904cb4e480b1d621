/** Day or Night; the choice stays in this browser. */
import Button from '@mui/material/Button';
import { useModeWish, type ModeWish } from '../../app/mode.js';
import { say } from '@amber-gauge/core/words';

const NEXT: Readonly<Record<ModeWish, ModeWish>> = { auto: 'day', day: 'night', night: 'auto' };
const WORDS: Readonly<Record<ModeWish, string>> = {
  auto: say`Light: device`,
  day: say`Light: day`,
  night: say`Light: night`,
};

export function ModeSwitch() {
  const { wish, setWish } = useModeWish();
  return (
    <Button color="inherit" onClick={() => setWish(NEXT[wish])} title={say`Day, Night, or as the device says`}>
      {WORDS[wish]}
    </Button>
  );
}
