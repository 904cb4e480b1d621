/** What a page of a PDF shows and where: areas and lines by the paper's ink, words by their start; mm from the upper left corner. */
import { OPS, Util, type PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';

const MM = 72 / 25.4;

export interface Drawn {
  readonly fill: string | null;
  readonly stroke: string | null;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  /** How thick its line is, mm. */
  readonly line: number;
}

const round = (value: number) => Math.round(value * 100) / 100;

/** Every path that was painted, with its bounding box. Clipping paths are left out. */
export async function drawnOn(page: PDFPageProxy): Promise<Drawn[]> {
  const height = page.getViewport({ scale: 1 }).height;
  const { fnArray, argsArray } = await page.getOperatorList();
  const out: Drawn[] = [];
  let now = { matrix: [1, 0, 0, 1, 0, 0], fill: '#000000', stroke: '#000000', line: 1 };
  const kept: (typeof now)[] = [];
  fnArray.forEach((op, i) => {
    const args = argsArray[i] as unknown[];
    if (op === OPS.save) kept.push(now);
    else if (op === OPS.restore) now = kept.pop() ?? now;
    else if (op === OPS.transform) now = { ...now, matrix: Util.transform(now.matrix, args as number[]) };
    else if (op === OPS.setFillRGBColor) now = { ...now, fill: String(args[0]) };
    else if (op === OPS.setStrokeRGBColor) now = { ...now, stroke: String(args[0]) };
    else if (op === OPS.setLineWidth) now = { ...now, line: args[0] as number };
    else if (op === OPS.constructPath) {
      const [how, , box] = args as [number, unknown, ArrayLike<number>];
      const fills = ([OPS.fill, OPS.eoFill, OPS.fillStroke, OPS.eoFillStroke] as number[]).includes(how);
      const strokes = ([OPS.stroke, OPS.closeStroke, OPS.fillStroke, OPS.eoFillStroke] as number[]).includes(how);
      if (!fills && !strokes) return;
      const [a, b, c, d, e, f] = now.matrix as [number, number, number, number, number, number];
      const at = (x: number, y: number) => [(a * x + c * y + e) / MM, (height - (b * x + d * y + f)) / MM];
      const corners = [at(box[0] ?? 0, box[1] ?? 0), at(box[2] ?? 0, box[3] ?? 0)];
      const xs = corners.map(([x]) => round(x ?? 0));
      const ys = corners.map(([, y]) => round(y ?? 0));
      out.push({
        fill: fills ? now.fill : null,
        stroke: strokes ? now.stroke : null,
        left: Math.min(...xs),
        top: Math.min(...ys),
        right: Math.max(...xs),
        bottom: Math.max(...ys),
        line: round((a * now.line) / MM),
      });
    }
  });
  return out;
}

/** A run of text: its baseline's start and width, mm, and the size of its letters, points. */
export interface Word {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly size: number;
}

/** Every run of text with the place of its baseline's start. */
export async function wordsOn(page: PDFPageProxy): Promise<Word[]> {
  const height = page.getViewport({ scale: 1 }).height;
  const { items } = await page.getTextContent();
  return items.flatMap((item) =>
    'str' in item && item.str.trim() !== ''
      ? [
          {
            text: item.str,
            x: round(item.transform[4] / MM),
            y: round((height - item.transform[5]) / MM),
            width: round(item.width / MM),
            size: round(item.height),
          },
        ]
      : [],
  );
}
