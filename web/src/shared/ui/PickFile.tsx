/** A key that opens the file chooser; the same file can be chosen again. */
import Button from '@mui/material/Button';
import { useRef } from 'react';

interface Props {
  /** What stands on the key. */
  readonly words: string;
  /** What the file is, for those who do not see it. */
  readonly label: string;
  readonly accept: string;
  readonly disabled?: boolean;
  readonly variant?: 'outlined' | 'text';
  readonly onFile: (file: File) => void;
}

export function PickFile({ words, label, accept, disabled = false, variant = 'outlined', onFile }: Props) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button variant={variant} disabled={disabled} sx={{ alignSelf: 'start' }} onClick={() => field.current?.click()}>
        {words}
      </Button>
      <input
        ref={field}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}
