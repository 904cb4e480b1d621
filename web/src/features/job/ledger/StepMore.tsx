/** What must be set back, marked, mirrored or renewed: the rest of a step. */
import { numberIn } from '@amber-gauge/core/quantity';
import {
  parseWires,
  stepsOff,
  stepWords,
  type ConnectorSide,
  type Distance,
  type StepBody,
} from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { Field } from '../../../shared/ui/Field.js';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { JobView } from '../useJobView.js';
import classes from './Ledger.module.css';
import { said, say } from '@amber-gauge/core/words';

interface DistanceFields {
  readonly what: string;
  readonly value: string;
  readonly unit: string;
  readonly tolerance: string;
}

/** What may be said of a step besides its words. */
export interface MoreFields {
  readonly distances: readonly DistanceFields[];
  readonly orientation: string;
  readonly marks: string;
  readonly wires: string;
  readonly wiresSide: ConnectorSide;
  readonly owes: readonly string[];
  readonly traces: string;
  /** null: as understood from the line. */
  readonly earth: boolean | null;
  readonly cover: boolean | null;
  readonly after: readonly string[] | null;
}

/** Nothing said yet. */
export const EMPTY_MORE: MoreFields = {
  distances: [],
  orientation: '',
  marks: '',
  wires: '',
  wiresSide: 'wire-side',
  owes: [],
  traces: '',
  earth: null,
  cover: null,
  after: null,
};

const CONSUMABLES = ['cable tie', 'seal', 'crimp', 'glue', 'gasket', 'grease'] as const;
/** Tolerance offered for a distance, mm (common practice: a gap is set back to a fifth of a millimetre). */
const USUAL_TOLERANCE = '0.2';

/** The step with these fields, and what is wrong with them. */
export function moreOf(parsed: StepBody, more: MoreFields): { step: StepBody; problem: string | null } {
  const distances: Distance[] = [];
  for (const one of more.distances) {
    const [value, tolerance] = [numberIn(one.value), numberIn(one.tolerance)];
    if (one.what.trim() === '' || value === null || tolerance === null || tolerance < 0)
      return {
        step: parsed,
        problem: say`A distance needs a name, its value and the tolerance it is set back within.`,
      };
    distances.push({ what: one.what.trim(), value, unit: one.unit.trim() || 'mm', tolerance });
  }
  const wires = parseWires(more.wires);
  const step: StepBody = {
    ...parsed,
    // What the line said, and what was typed into the form; the form's own goes before the same name.
    distances: [...parsed.distances.filter((one) => !distances.some((own) => own.what === one.what)), ...distances],
    orientation: more.orientation.trim(),
    marks: more.marks.trim(),
    wires,
    wiresSide: wires.length > 0 ? more.wiresSide : null,
    owes: more.owes,
    traces: more.traces.trim(),
    earth: more.earth ?? parsed.earth,
    cover: more.cover ?? parsed.cover,
    after: more.after ?? parsed.after,
  };
  return { step, problem: null };
}

interface Props {
  readonly view: JobView;
  readonly parsed: StepBody;
  readonly value: MoreFields;
  readonly onChange: (value: MoreFields) => void;
}

/** Marks, way round, distances, wires and what is owed. */
export function StepMore({ view, parsed, value, onChange }: Props) {
  const put = (more: Partial<MoreFields>) => onChange({ ...value, ...more });
  const flip = (list: readonly string[], one: string) =>
    list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
  const after = value.after ?? parsed.after;
  const off = stepsOff(view.state.ledger);
  const text = (name: 'orientation' | 'marks' | 'traces', label: string, placeholder: string) => (
    <Field
      label={label}
      value={value[name]}
      placeholder={placeholder}
      onChange={(event) => put({ [name]: event.target.value })}
    />
  );
  return (
    <div className={classes.more}>
      <Distances list={value.distances} onChange={(distances) => put({ distances })} />
      {text('orientation', say`Which way round`, say`bevel to the left, key towards the motor`)}
      {text('marks', say`Marks made`, say`line across motor and plate`)}
      <div className="row">
        <Field
          label={say`Wires, in pin order`}
          value={value.wires}
          placeholder={say`1 red, 2 black, 3 blue`}
          onChange={(event) => put({ wires: event.target.value })}
          sx={{ flex: '1 1 260px' }}
        />
        <ToggleButtonGroup
          exclusive
          value={value.wiresSide}
          onChange={(_event, side: ConnectorSide | null) => side && put({ wiresSide: side })}
          aria-label={say`Seen from`}
        >
          <ToggleButton value="wire-side">{say`wire side`}</ToggleButton>
          <ToggleButton value="mating-face">{say`mating face`}</ToggleButton>
        </ToggleButtonGroup>
      </div>
      <div className="row" aria-label={say`Owed when it goes back`}>
        <span className="quiet">{say`To renew:`}</span>
        {CONSUMABLES.map((one) => (
          <ToggleButton
            key={one}
            value={one}
            selected={value.owes.includes(one)}
            onChange={() => put({ owes: flip(value.owes, one) })}
          >
            {said(one)}
          </ToggleButton>
        ))}
        <ToggleButton
          value="earth"
          selected={value.earth ?? parsed.earth}
          onChange={() => put({ earth: !(value.earth ?? parsed.earth) })}
        >{say`earth point`}</ToggleButton>
        <ToggleButton
          value="cover"
          selected={value.cover ?? parsed.cover}
          onChange={() => put({ cover: !(value.cover ?? parsed.cover) })}
        >{say`cover, must sit flush`}</ToggleButton>
      </div>
      {text('traces', say`Traces of an earlier visit`, say`fresh solder, a screw missing`)}
      {off.length > 0 && (
        <div className="row" aria-label={say`Comes off after`}>
          <span className="quiet">{say`Lies behind:`}</span>
          {off.map((one) => (
            <ToggleButton
              key={one.key}
              value={one.key}
              selected={after.includes(one.key)}
              onChange={() => put({ after: flip(after, one.key) })}
            >
              {one.number} {stepWords(one.step)}
            </ToggleButton>
          ))}
        </div>
      )}
    </div>
  );
}

function Distances({
  list,
  onChange,
}: {
  readonly list: readonly DistanceFields[];
  readonly onChange: (list: readonly DistanceFields[]) => void;
}) {
  const put = (i: number, more: Partial<DistanceFields>) =>
    onChange(list.map((one, j) => (j === i ? { ...one, ...more } : one)));
  return (
    <div className="stack">
      {list.map((one, i) => (
        <div key={i} className={classes.distance}>
          <Field
            label={say`Distance of what`}
            value={one.what}
            onChange={(event) => put(i, { what: event.target.value })}
          />
          <Field label={say`Measured`} value={one.value} onChange={(event) => put(i, { value: event.target.value })} />
          <Field label={say`Unit`} value={one.unit} onChange={(event) => put(i, { unit: event.target.value })} />
          <Field label="±" value={one.tolerance} onChange={(event) => put(i, { tolerance: event.target.value })} />
          <Button onClick={() => onChange(list.filter((_other, j) => j !== i))}>{say`Drop`}</Button>
        </div>
      ))}
      <div>
        <Button
          variant="outlined"
          onClick={() => onChange([...list, { what: '', value: '', unit: 'mm', tolerance: USUAL_TOLERANCE }])}
        >{say`Measure a distance before it is disturbed`}</Button>
      </div>
    </div>
  );
}
