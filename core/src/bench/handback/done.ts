/** A mend's name, which tells what to do, as what was done: for whoever reads the sheet afterwards. */
import { ownEntry } from '../../quantity/index.js';
import { say } from '../../words/index.js';

/** Verbs that mends are named by, and their past. */
const PAST: Readonly<Record<string, string>> = {
  bend: 'bent',
  blow: 'blew',
  bond: 'bonded',
  choose: 'chose',
  clamp: 'clamped',
  clean: 'cleaned',
  clear: 'cleared',
  coat: 'coated',
  crimp: 'crimped',
  cut: 'cut',
  dry: 'dried',
  fasten: 'fastened',
  fill: 'filled',
  find: 'found',
  fit: 'fitted',
  flush: 'flushed',
  free: 'freed',
  gap: 'gapped',
  glue: 'glued',
  hang: 'hung',
  hold: 'held',
  keep: 'kept',
  leave: 'left',
  let: 'let',
  mend: 'mended',
  oil: 'oiled',
  open: 'opened',
  press: 'pressed',
  put: 'put',
  raise: 'raised',
  're-magnetise': 're-magnetised',
  recap: 'recapped',
  regrease: 'regreased',
  reheat: 'reheated',
  renew: 'renewed',
  replace: 'replaced',
  retrofit: 'retrofitted',
  rinse: 'rinsed',
  run: 'ran',
  seat: 'seated',
  send: 'sent',
  set: 'set',
  solder: 'soldered',
  spread: 'spread',
  straighten: 'straightened',
  take: 'took',
  talc: 'talced',
  tell: 'told',
  time: 'timed',
  true: 'trued',
  turn: 'turned',
  undercut: 'undercut',
  wash: 'washed',
  wipe: 'wiped',
  wire: 'wired',
};

/** Names that begin with a thing. */
const WHOLE: Readonly<Record<string, string>> = {
  'Donor stator': say`Fitted a donor stator`,
  'Donor capstan motor': say`Fitted a donor capstan motor`,
  'Another pack; this one to the recycler': say`Another pack; the old one goes to the recycler`,
  'Alcohol on the idler, oil its bearing': say`Cleaned the idler with alcohol, oiled its bearing`,
  'Talc on a belt that snatches': say`Put talc on the belt, which snatched`,
  'Fasten the sensor, clean its pins, plug it in': say`Fastened the sensor, cleaned its pins, plugged it in`,
};

/** "Clean off the old belt, fit a new one" as "Cleaned off the old belt, fitted a new one". */
export function doneWords(name: string): string {
  const whole = ownEntry(WHOLE, name);
  if (whole) return whole;
  // A verb stands first, or after a comma, "and" or "or".
  return name.replace(/(^|, | and | or )(re-magnetise|[a-z]+)\b/gi, (all, before: string, word: string) => {
    const past = ownEntry(PAST, word.toLowerCase());
    if (!past) return all;
    return before + (/^[A-Z]/.test(word) ? past.charAt(0).toUpperCase() + past.slice(1) : past);
  });
}
