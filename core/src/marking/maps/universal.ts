/** How the tests of a universal motor with its control are made on a machine. */
import { firstOf, volts, type Look, type TestMap } from '../look.js';
import { CORD_TEST } from './shared.js';

/** Still, weak, slow or fast, beside what a sound machine of the kind does on high and on low, turns a minute. */
export const strength =
  (
    quantity: string,
    usual: { readonly high: number; readonly low: number },
    words: readonly [string, string, string, string],
  ) =>
  (look: Look): string => {
    const rpm = look.eye(quantity);
    const [still, weak, slow, fast] = words;
    if (rpm < 0.05 * usual.low) return still;
    if (look.condition.setting === 'low') {
      if (rpm > (usual.low + usual.high) / 2) return fast;
      return rpm < 0.6 * usual.low ? weak : slow;
    }
    return rpm > 0.86 * usual.high ? fast : weak;
  };

/** Tests of cord, control and motor. */
export const UNIVERSAL_TESTS: TestMap = {
  ...CORD_TEST,
  'feed-high': volts('motor.V'),
  'feed-low': volts('motor.V'),
  sparks: (look) => (look.eye('sparks') > 0.4 ? 'many' : 'few-or-none'),
  'motor-sound': (look) => (look.eye('motor.roughness') > 0.5 ? 'rough-or-shrill' : 'smooth'),
  'tap-start': (look) => (look.see('shaft.rpm').mean > 100 ? 'starts' : 'stays-still'),
  'brush-look': firstOf(
    'long-and-free',
    ['stuck', (look) => look.see('brush.stuck').mean > 0],
    // A rule reads to half a millimetre.
    ['under-the-limit', (look) => look.see('brush.mm').mean + look.between(0.9, 1.1) - 1 < 7.9],
  ),
  'armature-ohms': firstOf(
    'even-none-to-the-frame',
    ['field-open', (look) => !Number.isFinite(look.see('field.ohm').mean)],
    ['one-bar-differs', (look) => look.see('armature.bars.differ').mean > 0],
    ['path-to-the-frame', (look) => look.see('winding.leak.Mohm').mean < 0.5],
  ),
  'commutator-look': (look) => (look.see('commutator.black').mean > 0 ? 'black-or-pitted' : 'brown-and-even'),
  'armature-spin': firstOf(
    'smooth',
    ['will-not-turn', (look) => !Number.isFinite(look.see('shaft.drag.times').mean)],
    ['stiff', (look) => look.eye('shaft.drag.times') > 5],
    ['rough', (look) => look.eye('shaft.rough') > 0.6],
  ),
};

/** Modes of the faults that every such drive has; `control` is the family's name of its control. */
export const universalFaultModes = (control: string): Readonly<Record<string, string>> => ({
  'cord-open': 'plug.open',
  'lead-on-case': 'plug.frame',
  'control-open': `${control}.open`,
  'control-shorted': `${control}.shorted`,
  'control-half': `${control}.half`,
  'brushes-short': 'brushes.early|brushes.worn',
  'brushes-weak': 'brushes.worn|brushes.early',
  'brushes-gone': 'brushes.gone|brushes.tap',
  'brush-stuck': 'brushes.stuck|brushes.tap',
  'bar-open': 'armature.bar',
  'commutator-black': 'armature.pitted',
  'field-open': 'armature.field',
  'bearing-dry': 'armature.bearing',
  'bearing-stiff': 'armature.stiff',
  seized: 'armature.seized',
  'winding-leaks': 'armature.frame|armature.dust',
});
