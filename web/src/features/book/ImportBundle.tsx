/** A job from another bench, as a file: put in without doubling. */
import { useState } from 'react';
import { PickFile } from '../../shared/ui/PickFile.js';
import { BUNDLE_MOST_BYTES, bundleProblem } from '@amber-gauge/contract';
import { jobNumber } from '@amber-gauge/core/bench';
import { ApiError } from '../../shared/api/client.js';
import { useImport } from './useBook.js';
import { say } from '@amber-gauge/core/words';

export function ImportBundle() {
  const put = useImport();
  const [said, setSaid] = useState('');
  const read = async (file: File) => {
    setSaid('');
    if (file.size > BUNDLE_MOST_BYTES) return setSaid(say`A bundle is at most ${BUNDLE_MOST_BYTES / 1e6} MB.`);
    let value: unknown;
    try {
      value = JSON.parse(await file.text());
    } catch {
      return setSaid(say`This file is no JSON, or was cut short: export it again.`);
    }
    const problem = bundleProblem(value);
    if (problem) return setSaid(problem);
    put.mutate(value, {
      onSuccess: ({ number, known, lines }) =>
        setSaid(known ? say`${jobNumber(number)} was here: ${lines} lines added` : say`Put in as ${jobNumber(number)}`),
      onError: (error) => setSaid(error instanceof ApiError ? wordsOf(error) : error.message),
    });
  };
  return (
    <>
      <PickFile
        words={say`Put a job in`}
        label={say`Job bundle`}
        accept="application/json,.json"
        disabled={put.isPending}
        onFile={(file) => void read(file)}
      />
      {said && <span role="status">{said}</span>}
    </>
  );
}

const wordsOf = (error: ApiError): string => Object.values(error.wire.fields ?? {})[0] ?? error.message;
