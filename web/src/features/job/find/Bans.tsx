/** Why power stays off, and what lifts it: one line a ban, above whatever else is advised. */
import type { StandingBan } from '@amber-gauge/core/diagnosis';
import classes from './Find.module.css';

/** "The fault may be there with 12 %" is said only where a chance is what stands against power. */
export const banWords = ({ why, lift }: StandingBan): string => `${why}. First ${lift}.`;

export function Bans({ bans, live }: { readonly bans: readonly StandingBan[]; readonly live: boolean }) {
  if (bans.length === 0) return null;
  return (
    <section className={classes.bans} aria-label="No power">
      <h2>{live ? 'Power off now' : 'No power yet'}</h2>
      <ul>
        {bans.map((ban) => (
          <li key={ban.id}>
            {ban.why}. <strong>First {ban.lift}.</strong>
          </li>
        ))}
      </ul>
    </section>
  );
}
