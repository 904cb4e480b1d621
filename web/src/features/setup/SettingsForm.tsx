/** The shop's fields; saved together, refused together. */
import { zodResolver } from '@hookform/resolvers/zod';
import { settingFieldsSchema, type SettingFields, type Settings } from '@amber-gauge/contract';
import { FLUTTER_STANDARDS, standardWords } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { Field } from '../../shared/ui/Field.js';
import { useState } from 'react';
import { Controller, useForm, type Control, type UseFormRegister } from 'react-hook-form';
import { queryClient, keys } from '../../shared/api/queries.js';
import { notice } from '../../shared/ui/Notice.js';
import { ConflictChoice } from '../../shared/ui/ConflictChoice.js';
import { useSettingsChange } from './useSettingsChange.js';
import classes from './Setup.module.css';
import { say } from '@amber-gauge/core/words';

export function SettingsForm({ settings }: { readonly settings: Settings }) {
  const { change, theirs, forget } = useSettingsChange();
  const [version, setVersion] = useState(settings.version);
  const { register, control, handleSubmit, formState, getValues, reset } = useForm<SettingFields>({
    resolver: zodResolver(settingFieldsSchema),
    defaultValues: fieldsOf(settings),
  });
  const save = (fields: SettingFields, from = version) =>
    change.mutate(
      { version: from, fields: { ...fields, captureKey: settings.captureKey, ...instrumentsOf(settings) } },
      {
        onSuccess: (kept) => {
          setVersion(kept.version);
          notice(say`Kept`);
        },
      },
    );
  const wrong = messageIn(formState.errors);
  if (theirs) {
    return (
      <ConflictChoice
        mine={getValues()}
        theirs={fieldsOf(theirs)}
        onMine={() => save(getValues(), theirs.version)}
        onTheirs={() => {
          reset(fieldsOf(theirs));
          setVersion(theirs.version);
          queryClient.setQueryData(keys.settings, theirs);
          forget();
        }}
      />
    );
  }
  return (
    <form className={classes.grid} onSubmit={(event) => void handleSubmit((fields) => save(fields))(event)} noValidate>
      <Field label={say`Shop`} {...register('shopName')} />
      <Field label={say`Address`} {...register('shopAddress')} />
      <Field label={say`Currency`} {...register('currency')} />
      <Field label={say`An hour of hands costs`} {...register('hourMoney', { valueAsNumber: true })} />
      <Field label={say`A day of waiting costs`} {...register('dayMoney', { valueAsNumber: true })} />
      <Field label={say`Parts usually take, days`} {...register('partsDays', { valueAsNumber: true })} />
      <Field label={say`Mains volts`} {...register('mainsVolts', { valueAsNumber: true })} />
      <Controller
        control={control}
        name="mainsHz"
        render={({ field }) => (
          <Field
            select
            label={say`Mains frequency`}
            value={field.value}
            onChange={(event) => field.onChange(Number(event.target.value))}
          >
            <MenuItem value={50}>50 Hz</MenuItem>
            <MenuItem value={60}>60 Hz</MenuItem>
          </Field>
        )}
      />
      <Controller
        control={control}
        name="flutterStandard"
        render={({ field }) => (
          <Field
            select
            label={say`Wow and flutter with the number`}
            value={field.value}
            onChange={(event) => field.onChange(event.target.value)}
          >
            {FLUTTER_STANDARDS.map((standard) => (
              <MenuItem key={standard} value={standard}>
                {standardWords(standard)}
              </MenuItem>
            ))}
          </Field>
        )}
      />
      <Field
        label={say`Sound card clock within ± ppm (100: common practice)`}
        {...register('clockLimitPpm', { valueAsNumber: true })}
      />
      <Field
        label={say`Sound card clock, correction in ppm (0: as it runs)`}
        {...register('clockCorrectionPpm', { valueAsNumber: true })}
      />
      <HoursFields register={register} control={control} />
      <SafetyFields register={register} />
      {(wrong ?? change.error) && (
        <p role="alert" className={`danger ${classes.end}`}>
          {messageIn(formState.errors) ?? change.error?.message}
        </p>
      )}
      <div className={classes.end}>
        <Button type="submit" variant="contained" disabled={change.isPending}>{say`Keep`}</Button>
      </div>
    </form>
  );
}

/** Limits a shop may change: field, label, unit. */
const SAFETY_FIELDS = [
  ['safety.earthOhm', say`Earth path, cord up to 5 m, at most`, 'Ω'],
  ['safety.earthOhmPer', say`More for each further 7.5 m`, 'Ω'],
  ['safety.earthOhmMost', say`Earth path, never over`, 'Ω'],
  ['safety.insulationMohm.I', say`Insulation, class I, at least`, 'MΩ'],
  ['safety.insulationMohm.I-heating', say`Class I with a heating element, at least`, 'MΩ'],
  ['safety.insulationMohm.II', say`Insulation, class II, at least`, 'MΩ'],
  ['safety.insulationMohm.III', say`Insulation, class III, at least`, 'MΩ'],
  ['safety.earthCurrentMa', say`Current in the earth, at most`, 'mA'],
  ['safety.touchCurrentMa', say`Touch current, at most`, 'mA'],
] as const;

const DAYS = [say`Mon`, say`Tue`, say`Wed`, say`Thu`, say`Fri`, say`Sat`, say`Sun`];
const SHARED_FIELDS = [
  ['hours.places', say`Bench places`],
  ['hours.isolators', say`Isolated outlets`],
  ['hours.variacs', say`Variable transformers`],
  ['hours.tapes', say`Test tapes`],
] as const;

interface HoursProps {
  readonly register: UseFormRegister<SettingFields>;
  readonly control: Control<SettingFields>;
}

/** When the bench is open and what jobs share: the day plan goes by it. */
function HoursFields({ register, control }: HoursProps) {
  return (
    <fieldset className={`${classes.end} ${classes.group}`}>
      <legend>{say`The day plan: when the bench is open, and what it has once`}</legend>
      <Field label={say`Opens`} type="time" {...register('hours.from')} />
      <Field label={say`Closes`} type="time" {...register('hours.to')} />
      <Controller
        control={control}
        name="hours.days"
        render={({ field }) => (
          <ToggleButtonGroup
            value={field.value}
            onChange={(_event, days: number[]) => field.onChange([...days].sort((a, b) => a - b))}
            aria-label={say`Open on`}
            className={classes.days ?? ''}
          >
            {DAYS.map((day, i) => (
              <ToggleButton key={day} value={i + 1}>
                {day}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        )}
      />
      <span />
      {SHARED_FIELDS.map(([name, label]) => (
        <Field key={name} label={label} {...register(name, { valueAsNumber: true })} />
      ))}
    </fieldset>
  );
}

function SafetyFields({ register }: { readonly register: UseFormRegister<SettingFields> }) {
  return (
    <fieldset className={`${classes.end} ${classes.group}`}>
      <legend>{say`Electrical safety at hand-back. Usual in EN countries (EN 50678, EN 50699, from memory); local
        rules and a qualified tester decide.`}</legend>
      {SAFETY_FIELDS.map(([name, label, unit]) => (
        <Field key={name} label={label} unit={unit} {...register(name, { valueAsNumber: true })} />
      ))}
    </fieldset>
  );
}

/** The first message of a form's errors, however deep it lies. */
function messageIn(errors: object): string | undefined {
  for (const value of Object.values(errors)) {
    if (typeof value !== 'object' || value === null) continue;
    if ('message' in value && typeof value.message === 'string') return value.message;
    const inner = 'ref' in value ? undefined : messageIn(value as object);
    if (inner) return inner;
  }
  return undefined;
}

/** Instruments are kept by their own part of Set-up. */
const instrumentsOf = ({ instruments, remoteInstruments }: Settings) => ({ instruments, remoteInstruments });

function fieldsOf(settings: Settings): SettingFields {
  return settingFieldsSchema.parse(settings);
}
