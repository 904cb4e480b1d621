/** Instruments on the network: name and address, tried out before they are kept. */
import { identitySchema, serialBaud, type Instrument, type Settings } from '@amber-gauge/contract';
import { INSTRUMENT_KINDS, type InstrumentKind } from '@amber-gauge/core/instruments';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiError, call } from '../../shared/api/client.js';
import { Field } from '../../shared/ui/Field.js';
import { useSettingsChange } from './useSettingsChange.js';
import classes from './Setup.module.css';
import { say } from '@amber-gauge/core/words';

export function Instruments({ settings }: { readonly settings: Settings }) {
  const { change, theirs, forget } = useSettingsChange();
  const { instruments, remoteInstruments, version } = settings;
  const keep = (fields: Partial<Pick<Settings, 'instruments' | 'remoteInstruments'>>, then?: () => void) =>
    change.mutate({ version, fields }, { onSuccess: then });
  return (
    <div className="stack">
      {instruments.length === 0 && (
        <p>
          {say`None yet. A meter, counter, supply or scope that speaks SCPI over the network lays its reading where
            the prompt asks, with one key (F4); a meter on a serial line is read by the device it is plugged into
            (serial:9600). A supply is read and never switched. To try it without one: `}
          <span className="mono">{say`gauge stand-in --port 5025`}</span>.
        </p>
      )}
      {instruments.map((one) => (
        <Row
          key={one.id}
          instrument={one}
          onForget={() => keep({ instruments: instruments.filter(({ id }) => id !== one.id) })}
        />
      ))}
      <AddInstrument
        busy={change.isPending}
        onAdd={(one, then) => keep({ instruments: [...instruments, one] }, then)}
        names={instruments.map(({ name }) => name)}
      />
      <FormControlLabel
        control={
          <Checkbox
            checked={remoteInstruments}
            onChange={(event) => keep({ remoteInstruments: event.target.checked })}
          />
        }
        label={say`Instruments may stand at other addresses than this machine’s own`}
      />
      {(theirs ?? change.error) && (
        <p role="alert" className="danger">
          {theirs ? say`Set-up was changed meanwhile.` : wordsOf(change.error)}{' '}
          {theirs && <Button variant="outlined" onClick={forget}>{say`Look at it again`}</Button>}
        </p>
      )}
    </div>
  );
}

const useTry = () =>
  useMutation({
    mutationFn: (address: string) => call('/instruments/try', identitySchema, { method: 'POST', body: { address } }),
  });

const wordsOf = (error: Error | null): string =>
  (error instanceof ApiError && Object.values(error.wire.fields ?? {})[0]) || (error?.message ?? '');

/** Who answers, or why nobody does. */
function Tried({ tried }: { readonly tried: ReturnType<typeof useTry> }) {
  if (tried.isPending) return <span role="status">{say`Asking who it is.`}</span>;
  if (tried.error)
    return (
      <span role="alert" className="danger">
        {wordsOf(tried.error)}
      </span>
    );
  const { data } = tried;
  return data ? <span role="status">{say`answers as ${[data.maker, data.model, data.serial].join(', ')}`}</span> : null;
}

function Row({ instrument, onForget }: { readonly instrument: Instrument; readonly onForget: () => void }) {
  const tried = useTry();
  const { words } = INSTRUMENT_KINDS[instrument.kind];
  return (
    <div className={classes.instrumentRow}>
      <span>
        {instrument.name}
        {!instrument.name.toLowerCase().includes(words) && <span className="quiet">, {words}</span>}
      </span>
      <span className="mono">{instrument.address}</span>
      <span>
        <Tried tried={tried} />
      </span>
      <span className="row">
        {serialBaud(instrument.address) === null && (
          <Button
            variant="outlined"
            disabled={tried.isPending}
            onClick={() => tried.mutate(instrument.address)}
          >{say`Try it`}</Button>
        )}
        <Button onClick={onForget} aria-label={say`Take ${instrument.name} out of the list`}>{say`Take out`}</Button>
      </span>
    </div>
  );
}

interface AddProps {
  readonly busy: boolean;
  readonly names: readonly string[];
  readonly onAdd: (one: Instrument, then: () => void) => void;
}

function AddInstrument({ busy, names, onAdd }: AddProps) {
  const [name, setName] = useState('');
  const [address, setAddress] = useState('');
  const [kind, setKind] = useState<InstrumentKind>('meter');
  const tried = useTry();
  const doubled = names.includes(name.trim());
  const add = () =>
    onAdd({ id: crypto.randomUUID(), kind, name: name.trim(), address: address.trim() }, () => {
      setName('');
      setAddress('');
      tried.reset();
    });
  return (
    <div className="stack">
      <div className={classes.instrument}>
        <Field label={say`Called`} value={name} onChange={(event) => setName(event.target.value)} />
        <Field
          select
          label={say`It is a`}
          value={kind}
          onChange={(event) => setKind(event.target.value as InstrumentKind)}
        >
          {Object.entries(INSTRUMENT_KINDS).map(([id, { words }]) => (
            <MenuItem key={id} value={id}>
              {words}
            </MenuItem>
          ))}
        </Field>
        <Field
          label={say`Address, host and port`}
          placeholder="127.0.0.1:5025"
          value={address}
          onChange={(event) => setAddress(event.target.value)}
        />
        <Button
          variant="outlined"
          disabled={address.trim() === '' || serialBaud(address.trim()) !== null || tried.isPending}
          onClick={() => tried.mutate(address.trim())}
        >{say`Try it`}</Button>
        <Button
          variant="contained"
          disabled={busy || doubled || name.trim() === '' || address.trim() === ''}
          onClick={add}
        >{say`Add`}</Button>
      </div>
      {doubled && <span className="danger">{say`There is one of this name already.`}</span>}
      <Tried tried={tried} />
    </div>
  );
}
