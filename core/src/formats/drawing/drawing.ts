/** A drawing at true size: marks in millimetres from the left upper corner of its page. */

/** A mark: a filled shape, a line, a circle or words (y at the foot of the letters). */
export type DrawingMark =
  | { readonly kind: 'shape'; readonly points: readonly (readonly [number, number])[] }
  | { readonly kind: 'line'; readonly points: readonly (readonly [number, number])[]; readonly widthMm: number }
  | {
      readonly kind: 'circle';
      readonly x: number;
      readonly y: number;
      readonly radius: number;
      readonly widthMm: number;
      readonly filled: boolean;
    }
  | {
      readonly kind: 'words';
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly sizeMm: number;
      readonly anchor: 'start' | 'middle';
      /** Degrees clockwise round x, y. */
      readonly turned: number;
    };

/** One page of it. */
export interface Drawing {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly title: string;
  readonly marks: readonly DrawingMark[];
}

/** Paper, mm, upright. */
export const PAPERS = { A4: [210, 297], Letter: [215.9, 279.4] } as const;
/** Names of the papers. */
export type Paper = keyof typeof PAPERS;
