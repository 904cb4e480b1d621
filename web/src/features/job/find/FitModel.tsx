/** Fits the family's path to this model: parts it has not, test points as its board calls them, values from its sheet. */
import { ownEntry } from '@amber-gauge/core/quantity';
import { keptSheetSchema, type KeptSheet } from '@amber-gauge/contract';
import { modelOf } from '@amber-gauge/core/bench';
import { EMPTY_SHEET, sheetProblem, type DrivePath, type ModelSheet } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { Field } from '../../../shared/ui/Field.js';
import ToggleButton from '@mui/material/ToggleButton';
import { useState } from 'react';
import { ApiError, call } from '../../../shared/api/client.js';
import { keys, queryClient } from '../../../shared/api/queries.js';
import type { JobView } from '../useJobView.js';
import { endText, readEnd } from '@amber-gauge/core/bench';
import type { Find } from './useFind.js';
import classes from './Find.module.css';
import { said, say } from '@amber-gauge/core/words';

/** Asks for the model’s own sheet where it would help. */
export function FitModel({ view, find }: { readonly view: JobView; readonly find: Find }) {
  const [open, setOpen] = useState(false);
  const model = modelOf(view.job);
  if (model === '') return <p className="quiet">{say`Name make and model in Take in to keep a sheet for it.`}</p>;
  if (!find.kept) return null;
  return (
    <div>
      <Button onClick={() => setOpen(true)}>
        {find.kept.version > 0 ? say`Sheet of the ${model}` : say`Fit this path to the ${model}`}
      </Button>
      {open && (
        <SheetDialog
          familyId={view.job.familyId}
          model={model}
          path={find.family}
          kept={find.kept}
          onDone={() => setOpen(false)}
        />
      )}
    </div>
  );
}

/** A sheet holds so many signs of codes. */
const MOST_CODES = 2000;

interface DialogProps {
  readonly familyId: string;
  readonly model: string;
  readonly path: DrivePath;
  readonly kept: KeptSheet;
  readonly onDone: () => void;
}

/** The model’s sheet: parts it has not, bands of its own. */
export function SheetDialog({ familyId, model, path, kept, onDone }: DialogProps) {
  const [sheet, setSheet] = useState<ModelSheet>(kept.sheet);
  const [version, setVersion] = useState(kept.version);
  const [problem, setProblem] = useState<string | null>(null);
  // Counts how often it was set back, so that the fields show the family's values again.
  const [setBack, setSetBack] = useState(0);
  const wrong = sheetProblem(path, sheet);
  const flip = (id: string) =>
    setSheet({
      ...sheet,
      absent: sheet.absent.includes(id) ? sheet.absent.filter((one) => one !== id) : [...sheet.absent, id],
    });
  const keep = async () => {
    try {
      const answer = await call(`/families/${familyId}/sheet`, keptSheetSchema, {
        method: 'PUT',
        body: { model, version, sheet },
      });
      queryClient.setQueryData(keys.sheet(familyId, model), answer);
      onDone();
    } catch (error) {
      if (error instanceof ApiError && error.code === 'CONFLICT') {
        const present = keptSheetSchema.safeParse(error.wire.present);
        if (present.success) setVersion(present.data.version);
        setProblem(say`Somebody changed this sheet meanwhile. Keep again to put yours in its place, or leave it.`);
      } else setProblem(error instanceof Error ? error.message : say`It could not be kept. Try again.`);
    }
  };
  return (
    <Dialog open onClose={onDone} maxWidth="lg" fullWidth>
      <DialogTitle>{say`Sheet of the ${model}`}</DialogTitle>
      <DialogContent>
        <div className="stack">
          <Options path={path} sheet={sheet} onSheet={setSheet} />
          <p>{say`Parts that this model has not:`}</p>
          <div className="row">
            {path.blocks.map((block) => (
              <ToggleButton
                key={block.id}
                value={block.id}
                selected={sheet.absent.includes(block.id)}
                onChange={() => flip(block.id)}
              >
                {block.name}
              </ToggleButton>
            ))}
          </div>
          {path.signals.some((signal) => signal.measure) && (
            <p>{say`Test points as they are called on its board, and what is right there. A value may be a number,
              nothing (open), or so many times another reading: 0.85 x reservoir.`}</p>
          )}
          {path.signals.map((signal) =>
            signal.measure ? (
              <SignalFields
                key={`${signal.id} ${setBack}`}
                path={path}
                signalId={signal.id}
                sheet={sheet}
                onSheet={setSheet}
              />
            ) : null,
          )}
          <Field
            label={say`Codes of its lamps or display, as its service sheet has them: 26 = pump, 37 = door`}
            multiline
            value={sheet.codes ?? ''}
            onChange={(event) => setSheet({ ...sheet, codes: event.target.value.slice(0, MOST_CODES) })}
          />
          {(problem ?? wrong) && (
            <p className="danger" role="alert">
              {problem ?? wrong}
            </p>
          )}
        </div>
      </DialogContent>
      <DialogActions>
        <Button
          onClick={() => {
            setSheet(EMPTY_SHEET);
            setSetBack(setBack + 1);
          }}
        >{say`As the family has it`}</Button>
        <Button variant="outlined" onClick={onDone}>{say`Leave it`}</Button>
        <Button variant="contained" disabled={wrong !== null} onClick={() => void keep()}>{say`Keep the sheet`}</Button>
      </DialogActions>
    </Dialog>
  );
}

interface OptionsProps {
  readonly path: DrivePath;
  readonly sheet: ModelSheet;
  readonly onSheet: (sheet: ModelSheet) => void;
}

/** Variants of the family: choosing one takes out the parts that it has not. */
function Options({ path, sheet, onSheet }: OptionsProps) {
  return path.options.map((option) => {
    const all = new Set(option.choices.flatMap((choice) => choice.absent));
    const own = sheet.absent.filter((id) => all.has(id));
    const chosen = (absent: readonly string[]) =>
      absent.length === own.length && absent.every((id) => own.includes(id));
    return (
      <div key={option.id} className="stack" role="group" aria-label={option.name}>
        <p>{option.name}:</p>
        <div className="row">
          {option.choices.map((choice) => (
            <ToggleButton
              key={choice.name}
              value={choice.name}
              selected={chosen(choice.absent)}
              onChange={() =>
                onSheet({ ...sheet, absent: [...sheet.absent.filter((id) => !all.has(id)), ...choice.absent] })
              }
            >
              {choice.name}
            </ToggleButton>
          ))}
        </div>
      </div>
    );
  });
}

interface FieldsProps {
  readonly path: DrivePath;
  readonly signalId: string;
  readonly sheet: ModelSheet;
  readonly onSheet: (sheet: ModelSheet) => void;
}

function SignalFields({ path, signalId, sheet, onSheet }: FieldsProps) {
  const measure = path.signals.find((one) => one.id === signalId)?.measure;
  const bands = ownEntry(sheet.bands, signalId) ?? measure?.bands ?? [];
  const [typed, setTyped] = useState(() =>
    bands.map((band) => ({ from: endText(path, band.from), to: endText(path, band.to) })),
  );
  if (!measure) return null;
  const rename = (place: string) => {
    const places = Object.fromEntries(Object.entries(sheet.places).filter(([id]) => id !== signalId));
    onSheet({ ...sheet, places: place.trim() === '' ? places : { ...places, [signalId]: place } });
  };
  const change = (i: number, end: 'from' | 'to', text: string) => {
    setTyped(typed.map((one, j) => (j === i ? { ...one, [end]: text } : one)));
    const value = readEnd(path, text);
    if (value === undefined) return;
    onSheet({
      ...sheet,
      bands: { ...sheet.bands, [signalId]: bands.map((band, j) => (j === i ? { ...band, [end]: value } : band)) },
    });
  };
  return (
    <div className={classes.sheetRow}>
      <Field
        label={say`${measure.place}, called here`}
        value={ownEntry(sheet.places, signalId) ?? ''}
        onChange={(event) => rename(event.target.value)}
      />
      {bands.map((band, i) => (
        <span key={band.state} className="row">
          <span>{said(band.state)}</span>
          {(['from', 'to'] as const).map((end) => (
            <Field
              key={end}
              label={`${end === 'from' ? say`from` : say`to`}, ${measure.unit}`}
              value={typed[i]?.[end] ?? ''}
              error={readEnd(path, typed[i]?.[end] ?? '') === undefined}
              onChange={(event) => change(i, end, event.target.value)}
              sx={{ width: 130 }}
            />
          ))}
        </span>
      ))}
    </div>
  );
}
