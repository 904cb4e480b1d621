/** One thing to confirm before power, large enough for a knuckle. */
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import classes from './Gate.module.css';

interface Props {
  readonly text: string;
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
}

export function Check({ text, on, onChange }: Props) {
  return (
    <FormControlLabel
      className={classes.check ?? ''}
      control={
        <Checkbox
          checked={on}
          onChange={(_event, checked) => onChange(checked)}
          sx={{ width: 56, height: 56, flexShrink: 0 }}
        />
      }
      label={text}
    />
  );
}
