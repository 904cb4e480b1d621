/** What a unit is and what its owner says: used when it is taken in and when that is corrected. */
import { decimal } from '@amber-gauge/core/quantity';
import { zodResolver } from '@hookform/resolvers/zod';
import { jobFieldsSchema, type JobFields } from '@amber-gauge/contract';
import { toleranceOfUse, toleranceWords } from '@amber-gauge/core/bench';
import { FAMILIES, familyOf } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../shared/ui/Field.js';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useEffect } from 'react';
import { Controller, useForm, useWatch, type Control, type UseFormRegister } from 'react-hook-form';
import classes from './Intake.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly start: JobFields;
  readonly submitWord: string;
  readonly busy: boolean;
  readonly onSubmit: (fields: JobFields) => void;
  /** Called with every change, so that nothing typed is lost on a reload. */
  readonly onDraft?: (fields: JobFields) => void;
}

/** A new unit of a family, with the family's usual speeds and first tolerance. */
export function blankFields(familyId: string, mainsVolts: number): JobFields {
  const family = familyOf(familyId);
  const pack = family.supply === 'pack';
  return {
    familyId,
    make: '',
    model: '',
    serial: '',
    customer: '',
    powerKind: pack ? 'pack' : 'mains',
    ratedVolts: pack ? null : mainsVolts,
    speedIds: [...family.usualSpeeds],
    complaint: '',
    tried: '',
    tolerance: toleranceOfUse(family),
  };
}

/** The fields of a job: taken in, or corrected later. */
export function JobFieldsForm({ start, submitWord, busy, onSubmit, onDraft }: Props) {
  const form = useForm<JobFields>({ resolver: zodResolver(jobFieldsSchema), defaultValues: start });
  const { register, handleSubmit, control, setValue, formState } = form;
  const values = useWatch({ control });
  const familyId = values.familyId ?? start.familyId;
  const family = familyOf(familyId);
  useEffect(() => {
    if (formState.isDirty) onDraft?.(values as JobFields);
  }, [values, onDraft, formState.isDirty]);
  const chooseFamily = (id: string) => {
    const blank = blankFields(id, 230);
    setValue('familyId', id, { shouldDirty: true });
    setValue('speedIds', blank.speedIds);
    setValue('tolerance', blank.tolerance);
    setValue('powerKind', blank.powerKind);
  };
  const wrong = Object.values(formState.errors)[0];
  return (
    <form className={classes.form} onSubmit={(event) => void handleSubmit(onSubmit)(event)} noValidate>
      <Field
        select
        label={say`Kind of machine`}
        value={familyId}
        onChange={(event) => chooseFamily(event.target.value)}
        className={classes.wide ?? ''}
      >
        {FAMILIES.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.name}
          </MenuItem>
        ))}
      </Field>
      <Words register={register} />
      <Rated control={control} />
      <Controller
        control={control}
        name="speedIds"
        render={({ field }) => (
          <div className={classes.wide}>
            <p className="small quiet">{say`Speeds of this unit`}</p>
            <ToggleButtonGroup
              value={field.value}
              onChange={(_event, value: string[]) => field.onChange(inFamilyOrder(family.speeds, value))}
              aria-label={say`Speeds of this unit`}
              className={classes.toggles ?? ''}
            >
              {family.speeds.map((speed) => (
                <ToggleButton key={speed.id} value={speed.id}>
                  {speed.label}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          </div>
        )}
      />
      <Controller
        control={control}
        name="tolerance"
        render={({ field }) => (
          <Field
            select
            label={say`Tolerance that counts`}
            value={field.value.use}
            onChange={(event) => field.onChange(toleranceOfUse(family, event.target.value))}
            className={classes.wide ?? ''}
          >
            {family.tolerances.map((one) => (
              <MenuItem key={one.use} value={one.use}>
                {toleranceWords({ tolerance: toleranceOfUse(family, one.use) })}
              </MenuItem>
            ))}
          </Field>
        )}
      />
      <Field label={say`What the owner says`} multiline minRows={2} {...register('complaint')} />
      <Field label={say`What was tried from outside`} multiline minRows={2} {...register('tried')} />
      {wrong && (
        <p role="alert" className={`danger ${classes.wide}`}>
          {wrong.message ?? say`One of the fields is not filled in rightly.`}
        </p>
      )}
      <Button type="submit" variant="contained" disabled={busy} className={classes.submit ?? ''}>
        {submitWord}
      </Button>
    </form>
  );
}

function inFamilyOrder(speeds: readonly { readonly id: string }[], chosen: readonly string[]): string[] {
  return speeds.map((speed) => speed.id).filter((id) => chosen.includes(id));
}

function Words({ register }: { readonly register: UseFormRegister<JobFields> }) {
  return (
    <>
      <Field label={say`Make`} {...register('make')} />
      <Field label={say`Model`} {...register('model')} />
      <Field label={say`Serial`} {...register('serial')} />
      <Field label={say`Whose`} {...register('customer')} />
    </>
  );
}

function Rated({ control }: { readonly control: Control<JobFields> }) {
  return (
    <>
      <Controller
        control={control}
        name="powerKind"
        render={({ field }) => (
          <Field select label={say`Fed by`} {...field}>
            <MenuItem value="mains">{say`mains`}</MenuItem>
            <MenuItem value="adapter">{say`adapter`}</MenuItem>
            <MenuItem value="pack">{say`pack or batteries`}</MenuItem>
          </Field>
        )}
      />
      <Controller
        control={control}
        name="ratedVolts"
        render={({ field, fieldState }) => (
          <Field
            label={say`Rated volts (mains or pack)`}
            value={field.value ?? ''}
            onChange={(event) => field.onChange(event.target.value === '' ? null : decimal(event.target.value))}
            onBlur={field.onBlur}
            error={fieldState.invalid}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
        )}
      />
    </>
  );
}
