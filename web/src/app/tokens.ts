/** The colours, types and measures of the identity, in one place. Contrast is tested from here. */

export interface Palette {
  readonly page: string;
  readonly sheet: string;
  readonly rail: string;
  readonly hair: string;
  readonly ink: string;
  readonly ink2: string;
  readonly edge: string;
  readonly amberFill: string;
  readonly amberEdge: string;
  readonly amberText: string;
  readonly act: string;
  readonly onAct: string;
  readonly danger: string;
  readonly dangerPanel: string;
  readonly s1: string;
  readonly s2: string;
  readonly s3: string;
  readonly s4: string;
  readonly cleared: string;
}

/** Colours by day. */
export const DAY: Palette = {
  page: '#F4EDDF',
  sheet: '#FCF8EF',
  rail: '#E8DECB',
  hair: '#D3C7B0',
  ink: '#221C15',
  ink2: '#5B5043',
  edge: '#85775F',
  amberFill: '#F6C667',
  amberEdge: '#B26A00',
  amberText: '#8A4B00',
  act: '#17525E',
  onAct: '#FCF8EF',
  danger: '#A3161E',
  dangerPanel: '#F7DAD3',
  s1: '#A5749A',
  s2: '#8C4D83',
  s3: '#6E2A66',
  s4: '#4A0F4B',
  cleared: '#4E6152',
};

const NIGHT: Palette = {
  page: '#15110C',
  sheet: '#1E1811',
  rail: '#282016',
  hair: '#3D3325',
  ink: '#F4E9D4',
  ink2: '#BBAC93',
  edge: '#8A7B63',
  amberFill: '#5C4112',
  amberEdge: '#FFB02E',
  amberText: '#FFBE4D',
  act: '#8CCBD3',
  onAct: '#15110C',
  danger: '#FF9384',
  dangerPanel: '#4A1A14',
  s1: '#977294',
  s2: '#B583B0',
  s3: '#D9A0D3',
  s4: '#F7C6F2',
  cleared: '#9DB5A1',
};

/** The two grounds. */
export type Mode = 'day' | 'night';
/** Colours of both grounds, by the same names. */
export const PALETTES: Readonly<Record<Mode, Palette>> = { day: DAY, night: NIGHT };

/** Font size and line height in px, by use. */
export const TYPE = {
  note: [13, 16],
  log: [15, 20],
  control: [18, 24],
  entry: [24, 32],
  danger: [32, 40],
  prompt: [36, 44],
  reading: [56, 64],
  speed: [112, 120],
} as const;

/** The face of all text. */
export const FONT_TEXT = "'Atkinson Hyperlegible Next Variable', 'DejaVu Sans', sans-serif";

/** Name of a colour's custom property: amberFill is --amber-fill, ink2 is --ink-2. */
export const propertyOf = (name: string): string =>
  `--${name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`).replace(/^ink2$/, 'ink-2')}`;

/** Writes the palette as custom properties on the document. */
export function applyPalette(mode: Mode): void {
  const root = document.documentElement;
  root.dataset.mode = mode;
  root.style.colorScheme = mode === 'night' ? 'dark' : 'light';
  for (const [name, value] of Object.entries(PALETTES[mode])) {
    root.style.setProperty(propertyOf(name), value);
  }
}
