/** A drawing as SVG at true size: one unit is one millimetre. */
import type { Drawing, DrawingMark } from './drawing.js';
import { say } from '../../words/index.js';

const INK = '#221C15';
const place = (value: number): string => String(Number(value.toFixed(4)));
const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** Text of an SVG file; prints at true size where the printer does not scale. */
export function drawingSvg({ widthMm, heightMm, title, marks }: Drawing): string {
  const [width, height] = [place(widthMm), place(heightMm)];
  return [
    say`<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width}
      ${height}">`,
    `<title>${escaped(title)}</title>`,
    say`<rect width="${width}" height="${height}" fill="#FFFFFF"/>`,
    ...marks.map(markSvg),
    '</svg>',
    '',
  ].join('\n');
}

function markSvg(mark: DrawingMark): string {
  switch (mark.kind) {
    case 'shape':
      return say`<polygon points="${pointsOf(mark.points)}" fill="${INK}"/>`;
    case 'line':
      return say`<polyline points="${pointsOf(mark.points)}" fill="none" stroke="${INK}"
        stroke-width="${place(mark.widthMm)}"/>`;
    case 'circle':
      return say`<circle cx="${place(mark.x)}" cy="${place(mark.y)}" r="${place(mark.radius)}"
        fill="${mark.filled ? INK : say`none`}" stroke="${INK}" stroke-width="${place(mark.widthMm)}"/>`;
    case 'words': {
      const turn =
        mark.turned === 0 ? '' : ` transform="rotate(${place(mark.turned)} ${place(mark.x)} ${place(mark.y)})"`;
      return `<text x="${place(mark.x)}" y="${place(mark.y)}" font-family="sans-serif" font-size="${place(mark.sizeMm)}" text-anchor="${mark.anchor}" fill="${INK}"${turn}>${escaped(mark.text)}</text>`;
    }
  }
}

const pointsOf = (points: readonly (readonly [number, number])[]): string =>
  points.map(([x, y]) => `${place(x)},${place(y)}`).join(' ');
