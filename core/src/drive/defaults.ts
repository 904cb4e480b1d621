/** Every number that the guide to a trim and the drawing of a train choose by themselves, with why: common practice or published where it says so, chosen otherwise. */

/** Nominals this near are the same speed, of one. */
export const SAME_NOMINAL_PART = 0.02;

/** Largest wheel or belt of a train, millimetres: more is a slip of the hand. */
export const LARGEST_MM = 5000;

/** Most teeth of a wheel: more is a slip of the hand. */
export const MOST_TEETH = 2000;

/** A motor is drawn of this diameter, mm: its housing drives nothing. */
export const MOTOR_MM = 36;

/** Gap between two drawn parts, mm. */
export const GAP_MM = 12;

/** Widest reach of a search, times the drawn value either way. */
export const SEARCH_REACH = 100;

/** Halvings of a search: enough for the last digit. */
export const SEARCH_HALVINGS = 200;

/** Harmonics of the turn that are taken off. */
export const TURN_HARMONICS = 2;

/** A trend over the stretch larger than this is a move, percent: nothing is learnt from it. */
export const STANDS_PERCENT = 0.15;

/** Smoothing of what is left, seconds. */
export const SMOOTH_S = 0.25;

/** Right has to last so long before it is said, seconds. */
export const RIGHT_AFTER_S = 2;

/** The chord of “right” sounds so long, seconds. */
export const CHORD_S = 1.5;

/** Variance of a trim nobody has turned yet: it says nothing. */
export const UNKNOWN_VARIANCE = 1e4;

/** What the coach's ear takes for settled, moving, ended: common practice, tried on made courses. */
export const WATCH = {
  /** It has settled when it stayed this long, seconds, within so much, percent. */
  settledS: 1.5,
  withinPercent: 0.12,
  /** A step of so much from the last reading is a move, percent. */
  movePercent: 0.15,
  /** Farther than this from every speed, as a factor, it is none of them. */
  nearFactor: 1.18,
  /** Silent for so long the band has ended, seconds. */
  endedS: 0.6,
} as const;

/** Usual half tolerances, mm (common practice: turned and ground parts, moulded rims, punched or extruded belts). */
export const USUAL_TOLERANCE_MM = {
  pulley: 0.02,
  idler: 0.1,
  flywheel: 0.05,
  capstan: 0.002,
  platter: 0.2,
  drum: 0.05,
  hub: 0.2,
  gear: 0,
  fan: 0.5,
  load: 0.5,
  belt: 0.05,
  tape: 0.001,
};

/** The guide's drone, hertz; see the product's identity. */
export const DRONE_HZ = 520;

/** The guide's drone against full scale, decibels. */
export const DRONE_DB = -30;

/** The other note of the chord, hertz. */
export const CHORD_HZ = 780;

/** The thumps of a tone that ended, hertz. */
export const THUMP_HZ = 200;

/** The notes of stop, hertz. */
export const STOP_HZ = 260;
