/** How the tests of a bridge with its three windings are made on a machine. */
import { firstOf, type Look, type TestMap } from '../look.js';

const pairs = (look: Look): number[] => [1, 2, 3].map((i) => look.see(`winding.${i}.ohm`).mean);

/** Bridge, windings, harness. */
export const BRIDGE_TESTS: TestMap = {
  'bridge-diode': firstOf(
    'alike',
    ['near-nought-both-ways', (look) => look.see('bridge.least.V').mean < 0.1],
    ['one-differs', (look) => !Number.isFinite(look.see('bridge.most.V').mean)],
  ),
  'winding-ohms': firstOf(
    'alike',
    ['to-case', (look) => look.see('winding.case.Mohm').mean < 1],
    ['one-open', (look) => pairs(look).some((one) => !Number.isFinite(one))],
    ['one-low', (look) => Math.min(...pairs(look)) < 0.85 * Math.max(...pairs(look))],
  ),
  'harness-ohms': firstOf(
    'through',
    ['plug-off', (look) => look.see('harness.off').mean > 0],
    ['one-broken', (look) => !Number.isFinite(look.see('harness.worst.ohm').mean)],
  ),
};

/** Modes of the bridge's faults. */
export const BRIDGE_FAULTS: Readonly<Record<string, string>> = {
  'switch-shorted': 'inverter.shorted',
  'switch-open': 'inverter.leg|inverter.gate',
  'winding-open': 'winding.open',
  'winding-shorted': 'winding.shorted',
  'winding-case': 'winding.case',
  'wire-broken': 'harness.one',
  'plug-off': 'harness.off',
  'bearing-worn': 'motor.bearing',
};
