/** Why power stays off, and what lifts it: the likeliest in one sentence, the others behind a tap. */
import type { StandingBan } from '@amber-gauge/core/diagnosis';
import { banWords } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useState } from 'react';
import classes from './Find.module.css';
import { say } from '@amber-gauge/core/words';

/** From this chance on, or once something was told, going live against the advice takes a word. */
const PRESSING = 0.1;

/** Bans that stand while it may be live: they come first. */
export const arePressing = (bans: readonly StandingBan[]): boolean =>
  bans.some((ban) => ban.chance === null || ban.chance >= PRESSING);

/** What keeps power off, each with what lifts it. */
export function Bans({ bans, live }: { readonly bans: readonly StandingBan[]; readonly live: boolean }) {
  const [all, setAll] = useState(false);
  const [first, ...others] = bans;
  if (!first) return null;
  return (
    <section className={classes.bans} aria-label={say`No power`}>
      <p>
        <strong>{live ? say`Power off now:` : say`No power yet:`}</strong> {banWords(first)}
      </p>
      {all && (
        <ul>
          {others.map((ban) => (
            <li key={ban.id}>{banWords(ban)}</li>
          ))}
        </ul>
      )}
      {others.length > 0 && (
        <Button onClick={() => setAll(!all)} aria-expanded={all}>
          {all
            ? say`Only the first`
            : others.length === 1
              ? say`and one more reason`
              : say`and ${others.length} more reasons`}
        </Button>
      )}
    </section>
  );
}
