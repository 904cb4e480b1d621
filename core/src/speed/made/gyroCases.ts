/** 4. Logs of a gyroscope. */
import { asked, LP, mean, type Expected, type MadeCase } from './case.js';
import { gyroCsv } from './logs.js';

const platter = { rpm: LP * 0.994, durationS: 40, wow: [{ hz: 0.55, percent: 0.12 }] };
const gyro = (id: string, log: Parameters<typeof gyroCsv>[0], expected: Expected): MadeCase => ({
  id,
  way: 'gyro',
  text: () => gyroCsv(log),
  nominalRpm: LP,
  expected,
});
const RAD = Math.PI / 30;
const about = (more: object = {}): Expected => mean(platter, 0.05, more);

/** Names, units, axes, gaps, selected speeds. */
export const GYRO_CASES: MadeCase[] = [
  gyro(
    'omega_x, omega_y, omega_z in rad/s unsaid',
    { motion: platter, perRpm: RAD, header: 'time,omega_x,omega_y,omega_z' },
    about(),
  ),
  gyro('wx wy wz in deg/s unsaid', { motion: platter, perRpm: 6, header: 't,wx,wy,wz' }, about()),
  gyro(
    'gyro x, y, z with a bias',
    { motion: platter, perRpm: 6, bias: 1.3, header: 'time (s),gyro x,gyro y,gyro z' },
    about(),
  ),
  gyro('Greek letters', { motion: platter, perRpm: RAD, header: 'Time,ωx,ωy,ωz' }, about()),
  gyro('milli-degrees', { motion: platter, perRpm: 6000, header: 'time,gx,gy,gz' }, about()),
  gyro('turns a second', { motion: platter, perRpm: 1 / 60, header: 'time,rotation x,rotation y,rotation z' }, about()),
  {
    id: 'rows of several sensors in turn',
    way: 'gyro',
    nominalRpm: LP,
    text: () => {
      const rows = gyroCsv({ motion: platter, perRpm: RAD, header: '' }).split('\n');
      const sensors = rows.flatMap((row) => {
        const [t, ...axes] = row.split(',');
        return [`${t},accelerometer,0.02,0.01,9.81`, `${t},gyroscope,${axes.join(',')}`];
      });
      return ['time,sensor,x,y,z', ...sensors].join('\n');
    },
    expected: about(),
  },
  gyro('one axis only', { motion: platter, perRpm: RAD, axes: 1, header: 'time,omega_z' }, about()),
  gyro('no header at all', { motion: platter, perRpm: 6, header: '' }, about()),
  gyro(
    'times in ns',
    { motion: platter, perRpm: RAD, timeScale: 1e9, timeDigits: 0, header: 'timestamp,x,y,z' },
    about(),
  ),
  gyro(
    'accelerometer columns first',
    { motion: platter, perRpm: 6, noise: 0.01, header: 'time,ax,ay,az,gx,gy,gz', before: () => '0.02,-0.01,9.81' },
    about(),
  ),
  gyro(
    'accelerometer first, no header',
    { motion: platter, perRpm: RAD, noise: 1e-4, header: '', before: () => '0.02,-0.01,9.81' },
    about(),
  ),
  gyro(
    'clockwise',
    { motion: platter, perRpm: 6, clockwise: true, header: 'time,gyro_x,gyro_y,gyro_z' },
    about({ sense: -1 }),
  ),
  gyro(
    'gaps and doubled rows',
    {
      motion: platter,
      perRpm: 6,
      header: 'time,gyro_x,gyro_y,gyro_z',
      skip: (i) => i > 1500 && i < 1560,
      twice: (i) => i % 97 === 0,
    },
    about({ warning: 'GAPS' }),
  ),
  gyro(
    'wow',
    { motion: platter, perRpm: 6, noise: 0.05, header: 'time,gyro_x,gyro_y,gyro_z (deg/s)' },
    about({ wow: { percent: 0.12, within: 0.015 } }),
  ),
  gyro(
    'another speed selected in mid-log',
    {
      motion: { rpm: LP, durationS: 40 },
      perRpm: 6,
      header: 'time,gyro_x,gyro_y,gyro_z (deg/s)',
      rpmOf: (t) => (t < 18 ? LP : t < 19.5 ? LP + (t - 18) * 7.9 : 45.2),
    },
    asked('SEVERAL_SPEEDS', LP),
  ),
  gyro(
    'rad/s said, deg/s meant',
    { motion: platter, perRpm: 6, header: 'time,gyro_x (rad/s),gyro_y (rad/s),gyro_z (rad/s)' },
    asked('AXIS_UNIT', platter.rpm),
  ),
  {
    id: 'an accelerometer alone',
    way: 'gyro',
    nominalRpm: LP,
    text: () =>
      [
        'time,ax,ay,az',
        ...Array.from(
          { length: 2000 },
          (_, i) => `${i / 100},${(0.3 * Math.sin(i / 29)).toFixed(4)},${(0.3 * Math.cos(i / 29)).toFixed(4)},9.79`,
        ),
      ].join('\n'),
    expected: { kind: 'refused', reason: 'ACCELEROMETER_ONLY' },
  },
];
