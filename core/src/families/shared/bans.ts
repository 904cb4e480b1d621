import { say, said } from '../../words/index.js';

/** What keeps power off, why, and what lifts it. Common practice, with no published source. */
export interface Ban {
  readonly id: string;
  readonly why: string;
  /** What has to be done before power may come. */
  readonly lift: string;
}

const ban = (id: string, why: string, lift: string): Ban => ({ id, why: said(why), lift: said(lift) });

export const BANS: readonly Ban[] = [
  ban(
    'bridge',
    'A shorted switch or winding blows the next board',
    'measure bridge and windings dead, the capacitor discharged',
  ),
  ban(
    'frame',
    'Metal may be live: a winding, a lead, water or carbon dust may reach it',
    'measure the insulation at the plug: over 1 MΩ, by local rules',
  ),
  ban('burnt', 'Smoke or a smell of burning is not yet traced', 'open it and find the burnt place by eye'),
  ban('wet', 'It is wet inside', 'open it, dry it, and measure the insulation'),
  ban('rails', 'A shorted rail burns what feeds it', 'measure ohms from rail to rail, dead'),
  ban('fuse', 'An open fuse has a cause, and the next one blows as well', 'measure dead what it feeds'),
  ban(
    'cell',
    'A cell is swollen, punctured, reversed, wet or under 2.0 V',
    'keep the pack away from the tool, outdoors on stone; never charge or revive it; another pack',
  ),
  ban('stalled', 'A motor that cannot turn burns itself or what feeds it', 'turn it by hand, dead: it must be free'),
];

/** "A shorted rail burns what feeds it: first measure ohms from rail to rail, dead." */
export const banWords = ({ why, lift }: Ban): string => say`${why}: first ${lift}.`;

export const banOf = (id: string): Ban => {
  const found = BANS.find((one) => one.id === id);
  if (!found) throw new RangeError(`no ban ${id}`);
  return found;
};
