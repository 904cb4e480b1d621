/** A field: its label above it as text, square, its unit inside at the right. The one used everywhere. */
import InputAdornment from '@mui/material/InputAdornment';
import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { useId, type ReactNode } from 'react';
import classes from './Field.module.css';

type Props = Omit<TextFieldProps, 'label' | 'variant' | 'hiddenLabel' | 'size'> & {
  readonly label?: ReactNode;
  /** Stands inside at the right. */
  readonly unit?: string;
};

export function Field({ label, unit, id, sx, className, slotProps, select, style, ...rest }: Props) {
  const own = useId();
  const inputId = id ?? own;
  const labelId = `${inputId}-label`;
  const adornment = unit ? { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> } : {};
  return (
    <div className={className ? `${classes.field} ${className}` : classes.field} style={{ ...widthOf(sx), ...style }}>
      {label !== undefined && (
        <label id={labelId} htmlFor={select ? undefined : inputId} className={classes.label}>
          {label}
        </label>
      )}
      <TextField
        {...rest}
        id={inputId}
        hiddenLabel
        fullWidth
        select={select ?? false}
        slotProps={{
          ...slotProps,
          input: { ...adornment, ...(slotProps?.input as object) },
          ...(select && label !== undefined ? { select: { labelId, ...(slotProps?.select as object) } } : {}),
        }}
      />
    </div>
  );
}

/** Width and flex belong to the field with its label, not to the box alone. */
function widthOf(sx: Props['sx']): React.CSSProperties {
  if (typeof sx !== 'object' || sx === null || Array.isArray(sx)) return {};
  const { width, flex, minWidth, maxWidth } = sx as React.CSSProperties;
  return { width, flex, minWidth, maxWidth };
}
