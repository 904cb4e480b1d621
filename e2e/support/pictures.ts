/** Pictures drawn by the browser under test, as files that it can choose again. */
import type { Page } from '@playwright/test';

/** A JPEG of `width` x `height` px with a colour and a word on it. */
export async function picture(page: Page, word: string, width = 1600, height = 1200): Promise<Buffer> {
  const text = await page.evaluate(
    ([words, w, h]) => {
      const canvas = document.createElement('canvas');
      canvas.width = w;
      canvas.height = h;
      const draw = canvas.getContext('2d') as CanvasRenderingContext2D;
      draw.fillStyle = `hsl(${words.length * 40} 40% 60%)`;
      draw.fillRect(0, 0, w, h);
      draw.font = '200px sans-serif';
      draw.fillText(words, 100, h / 2);
      return canvas.toDataURL('image/jpeg', 0.9);
    },
    [word, width, height] as const,
  );
  return Buffer.from(text.slice(text.indexOf(',') + 1), 'base64');
}

export const file = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/jpeg', buffer });
