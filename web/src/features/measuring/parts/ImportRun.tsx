/** A run exported before, read again: it gives the same figures. */
import { readRunFile, type Run } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { useDropzone } from 'react-dropzone';
import { notice } from '../../../shared/ui/Notice.js';
import { storeImported } from '../storeRun.js';
import { say } from '@amber-gauge/core/words';

/** A run's file with an hour of its course has some ten megabytes; a longer one is none. */
const MOST_BYTES = 64e6;

export function ImportRun({ onImported }: { readonly onImported: (run: Run) => void }) {
  const take = async (file: File) => {
    if (file.size > MOST_BYTES) return notice(say`${file.name} is over ${MOST_BYTES / 1e6} MB: no run is so long.`);
    const result = readRunFile(await file.text());
    if (result.kind === 'unusable') return notice(`${file.name}: ${result.message}`);
    try {
      onImported(await storeImported(result.file));
      notice(say`${result.file.fileName}: imported`);
    } catch (error) {
      notice(error instanceof Error ? error.message : say`It could not be stored.`);
    }
  };
  const { getRootProps, getInputProps, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    noDrag: true,
    multiple: false,
    onDrop: ([file]) => file && void take(file),
  });
  return (
    <span {...getRootProps()}>
      <input {...getInputProps({ 'aria-label': say`Exported run` })} />
      <Button variant="outlined" onClick={open}>{say`Import a run`}</Button>
    </span>
  );
}
