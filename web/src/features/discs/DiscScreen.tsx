/** Strobe discs and edge strips: what is wanted, how it will look under the lamp, and the file at true size. */
import { drawingSvg, PAPERS, type Drawing, type Paper } from '@amber-gauge/core/formats';
import { numberIn, signed, speedName, THIN } from '@amber-gauge/core/quantity';
import { discProblems, discRings, drawDisc, DISC_SIZES_MM, HOLES_MM, type DiscWish } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { useSettings } from '../../shared/api/queries.js';
import { Field } from '../../shared/ui/Field.js';
import { Preview } from './Preview.js';
import table from '../../shared/ui/Table.module.css';
import classes from './Discs.module.css';
import { say } from '@amber-gauge/core/words';

interface Typed {
  readonly speeds: string;
  readonly lamp: string | null;
  readonly flashes: 1 | 2;
  readonly paper: Paper;
  readonly shape: 'disc' | 'strip';
  readonly disc: string;
  readonly hole: string;
  readonly strip: string;
}

const FIRST: Typed = {
  speeds: '33,333 45',
  lamp: null,
  flashes: 2,
  paper: 'A4',
  shape: 'disc',
  disc: String(DISC_SIZES_MM[0]),
  hole: String(HOLES_MM[0]),
  strip: '300',
};

export function DiscScreen() {
  const mains = useSettings().data?.mainsHz ?? 50;
  const [typed, setTyped] = useState(FIRST);
  const lamp = typed.lamp ?? String(mains);
  const wish = wishOf(typed, lamp);
  const problems = discProblems(wish);
  const set = (more: Partial<Typed>) => setTyped({ ...typed, ...more });
  const text = (id: 'speeds' | 'disc' | 'hole' | 'strip', label: string, unit: string, field: keyof DiscWish) => {
    const message = problems.find((one) => one.field === field)?.message;
    return (
      <Field
        label={label}
        unit={unit}
        value={typed[id]}
        onChange={(event) => set({ [id]: event.target.value })}
        error={message !== undefined}
        helperText={message}
      />
    );
  };
  const lampProblem = problems.find((one) => one.field === 'lampHz')?.message;
  return (
    <div className={classes.screen}>
      <h1 className="prompt">
        {typed.shape === 'disc' ? say`A strobe disc at true size` : say`A strip for a rim at true size`}
      </h1>
      <div className={classes.fields}>
        <ToggleButtonGroup
          exclusive
          value={typed.shape}
          onChange={(_event, value: Typed['shape'] | null) => value && set({ shape: value })}
          aria-label={say`What to make`}
        >
          <ToggleButton value="disc">{say`Disc`}</ToggleButton>
          <ToggleButton value="strip">{say`Edge strip`}</ToggleButton>
        </ToggleButtonGroup>
        {text('speeds', say`Speeds, apart by spaces`, 'rpm', 'speedsRpm')}
        <Field
          label={say`Lamp on`}
          unit="Hz"
          value={lamp}
          onChange={(event) => set({ lamp: event.target.value })}
          error={lampProblem !== undefined}
          helperText={lampProblem}
        />
        <Field
          select
          label={say`It flashes`}
          value={typed.flashes}
          onChange={(event) => set({ flashes: Number(event.target.value) === 1 ? 1 : 2 })}
        >
          <MenuItem value={2}>{say`twice a cycle`}</MenuItem>
          <MenuItem value={1}>{say`once a cycle`}</MenuItem>
        </Field>
        <Field
          select
          label={say`Paper`}
          value={typed.paper}
          onChange={(event) => set({ paper: event.target.value as Paper })}
        >
          {Object.keys(PAPERS).map((one) => (
            <MenuItem key={one} value={one}>
              {one}
            </MenuItem>
          ))}
        </Field>
        {typed.shape === 'disc' ? (
          <>
            {text('disc', say`Disc across (190 whole sheet, 174 single, 100 label)`, 'mm', 'discMm')}
            {text('hole', say`Hole (7.24 spindle, 38.2 large, 0 none)`, 'mm', 'holeMm')}
          </>
        ) : (
          text('strip', say`Rim or flywheel across`, 'mm', 'stripMm')
        )}
      </div>
      {problems.length === 0 && (
        <>
          <Rings wish={wish} />
          <Files wish={wish} />
          <Preview key={JSON.stringify(wish)} wish={wish} />
        </>
      )}
    </div>
  );
}

const wishOf = (typed: Typed, lamp: string): DiscWish => {
  const number = (text: string) => numberIn(text) ?? Number.NaN;
  return {
    speedsRpm: typed.speeds.trim().split(/\s+/).filter(Boolean).map(number),
    lampHz: number(lamp),
    flashesPerCycle: typed.flashes,
    paper: typed.paper,
    discMm: typed.shape === 'disc' ? number(typed.disc) : null,
    holeMm: number(typed.hole),
    stripMm: typed.shape === 'strip' ? number(typed.strip) : null,
  };
};

function Rings({ wish }: { readonly wish: DiscWish }) {
  return (
    <table className={table.table}>
      <thead>
        <tr>
          <th scope="col">{say`speed`}</th>
          <th scope="col">{say`bars`}</th>
          <th scope="col">{say`when it stands still`}</th>
        </tr>
      </thead>
      <tbody>
        {discRings(wish).map((ring) => (
          <tr key={ring.nominalRpm}>
            <th scope="row">{speedName(ring.nominalRpm)} rpm</th>
            <td className="mono">{ring.bars}</td>
            <td className="mono">
              {signed(ring.residuePercent, 2)}
              {THIN}%
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The file, made here as SVG, by the server as PDF. */
function Files({ wish }: { readonly wish: DiscWish }) {
  const pages = drawDisc(wish);
  const save = () => {
    for (const [i, page] of pages.entries()) download(page, pages.length === 1 ? '' : `-${i + 1}`);
  };
  const query = new URLSearchParams({
    rpm: wish.speedsRpm.join(','),
    lampHz: String(wish.lampHz),
    flashes: String(wish.flashesPerCycle),
    paper: wish.paper,
    hole: String(wish.holeMm),
    ...(wish.stripMm === null ? { disc: String(wish.discMm) } : { strip: String(wish.stripMm) }),
  });
  return (
    <div className="row">
      <Button variant="contained" href={`/api/v1/discs.pdf?${query}`}>{say`PDF at true size`}</Button>
      <Button
        variant="outlined"
        onClick={save}
      >{say`SVG${pages.length > 1 ? say`, ${pages.length} pages` : ''}`}</Button>
      <span className="quiet">{say`Print at 100 %, then measure the ruler: it is 100 mm.`}</span>
    </div>
  );
}

function download(page: Drawing, suffix: string): void {
  const url = URL.createObjectURL(new Blob([drawingSvg(page)], { type: 'image/svg+xml' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${page.title.toLowerCase().replace(' ', '-')}${suffix}.svg`;
  link.click();
  URL.revokeObjectURL(url);
}
