/** Log lines of photos. The picture is kept beside the log; marks lie on top of it, never burnt in. */
export interface PhotoBody {
  readonly kind: 'photo';
  readonly photoId: string;
  readonly caption: string;
  readonly width: number;
  readonly height: number;
  /** The step or reading it shows, by key; null when it stands by itself. */
  readonly about: string | null;
  /** The test point it shows. */
  readonly place: string | null;
}

/** Places are fractions of the picture's width and height, from its upper left corner. */
export interface PhotoMark {
  readonly shape: 'arrow' | 'label' | 'number';
  readonly x: number;
  readonly y: number;
  /** Where an arrow points; the same as x and y for the others. */
  readonly toX: number;
  readonly toY: number;
  readonly text: string;
}

/** The marks on a photo; the newest such line counts. */
export interface MarksBody {
  readonly kind: 'marks';
  readonly target: string;
  readonly marks: readonly PhotoMark[];
}
