import { afterEach, expect, it, vi } from 'vitest';
import { fetchParts } from './keepForReload.js';

afterEach(() => {
  vi.unstubAllGlobals();
  document.body.replaceChildren();
});

it('every part that the page names is fetched, one after the other, whatever becomes of the others', async () => {
  document.body.innerHTML = '<script type="application/json" id="parts">["/a.js","/b.css","/cut.js","/c.js"]</script>';
  const [asked, read]: [string[], string[]] = [[], []];
  vi.stubGlobal('fetch', (file: string) => {
    // Each is asked for once the one before was read to its end, or failed.
    asked.push(`${file} after ${read.length}`);
    if (file === '/b.css') return Promise.reject(new Error('away'));
    if (file === '/cut.js') return Promise.resolve({ arrayBuffer: () => Promise.reject(new Error('cut off')) });
    return Promise.resolve({ arrayBuffer: async () => void read.push(file) });
  });
  await fetchParts();
  expect(asked).toEqual(['/a.js after 0', '/b.css after 1', '/cut.js after 1', '/c.js after 1']);
  expect(read).toEqual(['/a.js', '/c.js']);
});

it('a page that names none fetches none', async () => {
  const fetched = vi.fn();
  vi.stubGlobal('fetch', fetched);
  await fetchParts();
  expect(fetched).not.toHaveBeenCalled();
});
