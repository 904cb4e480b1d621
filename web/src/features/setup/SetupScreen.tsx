/** Set-up: the shop, its mains, the capture key, the sound card, the test tapes and records, the backups, the demo. */
import { useSettings, useSources } from '../../shared/api/queries.js';
import { Backups } from './Backups.js';
import { ClockCalibration } from './ClockCalibration.js';
import { CaptureKey } from './CaptureKey.js';
import { DemoChoice } from './DemoChoice.js';
import { Instruments } from './Instruments.js';
import { SettingsForm } from './SettingsForm.js';
import { SourceList } from './SourceList.js';
import classes from './Setup.module.css';
import { say } from '@amber-gauge/core/words';

export function SetupScreen() {
  const { data: settings, error } = useSettings();
  const sources = useSources().data ?? [];
  return (
    <main className={classes.setup}>
      <h1 className="prompt">{say`Set-up`}</h1>
      {error && !settings && <p className="danger">{say`${error.message} It is tried again.`}</p>}
      {settings && (
        <>
          <section className={classes.part}>
            <h2>{say`Shop and mains`}</h2>
            <SettingsForm key={`${settings.clockCorrectionPpm} ${settings.clockLimitPpm}`} settings={settings} />
          </section>
          <section className={classes.part}>
            <h2>{say`Test tapes and records`}</h2>
            <SourceList sources={sources} />
          </section>
          <section className={classes.part}>
            <h2>{say`Sound card`}</h2>
            <ClockCalibration settings={settings} />
          </section>
          <section className={classes.part}>
            <h2>{say`Capture key`}</h2>
            <CaptureKey settings={settings} />
          </section>
          <section className={classes.part} aria-label={say`Instruments`}>
            <h2>{say`Instruments`}</h2>
            <Instruments settings={settings} />
          </section>
          <section className={classes.part}>
            <h2>{say`Backups`}</h2>
            <Backups />
          </section>
          <section className={classes.part}>
            <h2>{say`Demo`}</h2>
            <DemoChoice settings={settings} />
          </section>
        </>
      )}
    </main>
  );
}
