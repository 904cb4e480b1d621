/** A run exported before, read again: it gives the same figures. */
import { readRunFile, type Run } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import { useDropzone } from 'react-dropzone';
import { notice } from '../../../shared/ui/Notice.js';
import { storeImported } from '../storeRun.js';
import { say } from '@amber-gauge/core/words';

export function ImportRun({ onImported }: { readonly onImported: (run: Run) => void }) {
  const take = async (file: File) => {
    const result = readRunFile(await file.text());
    if (result.kind === 'unusable') return notice(`${file.name}: ${result.message}`);
    try {
      onImported(await storeImported(result.file));
      notice(`${result.file.fileName}: imported`);
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
