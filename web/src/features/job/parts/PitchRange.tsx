/** The speeds at every position of the pitch control, once one of them was read. */
import { jobTolerance, PITCH_POSITIONS, PITCH_WORDS, speedWords } from '@amber-gauge/core/bench';
import table from '../../../shared/ui/Table.module.css';
import { RibbonSmall } from '../../../shared/ribbon/RibbonSmall.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

export function PitchRange({ view }: { readonly view: JobView }) {
  const { pitched, speeds } = view.state;
  if (pitched.length === 0) return null;
  const limits = jobTolerance(view.job);
  return (
    <section aria-label={say`Pitch range`} className="stack">
      <h2>{say`At each position of the pitch control`}</h2>
      <table className={table.table}>
        <thead>
          <tr>
            <th scope="col" />
            {speeds.map((one) => (
              <th key={one.speedId} scope="col">
                {one.label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {PITCH_POSITIONS.map((position) => (
            <tr key={position}>
              <th scope="row">{PITCH_WORDS[position]}</th>
              {speeds.map(({ speedId }) => {
                const reading = pitched.find((one) => one.position === position && one.speed.speedId === speedId);
                return (
                  <td key={speedId}>
                    {reading ? (
                      <>
                        <RibbonSmall reading={reading.speed} limits={limits} width={160} />
                        <span className="mono"> {speedWords(reading.speed)}</span>
                      </>
                    ) : (
                      <span className="quiet">{say`not read`}</span>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet">{say`Off the rest it is another speed on purpose: such a reading is not judged as the
        nominal one.`}</p>
    </section>
  );
}
