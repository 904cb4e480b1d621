/** The owner's sheet as it is printed: figures of a made-up job, and the marks of a photo by position. */
import { sheetModel, type EventBody, type SpeedBody } from '@amber-gauge/core/bench';
import { render, screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { JOB, line } from '../../test/scene.js';
import { PhotoMarks } from './PhotoMarks.js';
import { SheetPaper } from './SheetPaper.js';

const plain = (text: string | null | undefined) => (text ?? '').replaceAll('\u202f', ' ');
const speed = (errorPercent: number, more: Partial<SpeedBody> = {}): SpeedBody => ({
  kind: 'speed',
  text: '',
  speedId: '33',
  method: 'tone-recording',
  turned: true,
  errorPercent,
  expandedPercent: 0.06,
  referenceIncluded: true,
  wowPeakPercent: 0.12,
  rpm: null,
  sourceName: 'Shop record',
  runId: null,
  condition: null,
  ...more,
});
const WORK: EventBody = { kind: 'work', action: 'replace', what: 'the belt', blocks: ['belt'], reach: 'mechanics' };
const paper = (...bodies: EventBody[]) => {
  const model = sheetModel(
    { name: 'Made repair room', address: 'Quay 1', currency: 'EUR' } as never,
    JOB,
    bodies.map((body) => line(body)),
  );
  render(<SheetPaper model={model} />);
  return model;
};
const section = (title: string) =>
  plain(screen.queryByRole('heading', { level: 2, name: title })?.parentElement?.textContent);

describe('the sheet', () => {
  it('sets as found beside as left, with the verdict of each, and says where nothing was read', () => {
    paper(speed(-1.8), WORK, speed(0.05));
    const block = screen.getByRole('heading', { level: 3, name: '33⅓ rpm' }).parentElement as HTMLElement;
    const side = (title: string) => plain(block.querySelector(`[data-side="${title}"]`)?.textContent);
    expect(side('As found')).toContain('−1.80 ± 0.06 %');
    expect(side('As found')).toMatch(/too slow|not right|slow/i);
    expect(side('As left')).toContain('+0.05 ± 0.06 %');
    expect(side('As left')).toMatch(/right/i);
    expect(side('As left')).not.toMatch(/not right/i);
    const other = screen.getByRole('heading', { level: 3, name: '45 rpm' }).parentElement as HTMLElement;
    expect(plain(other.textContent)).toContain('As found: not measured');
    expect(plain(other.textContent)).toContain('As left: not measured');
  });

  it('lists what was done with its time, and nothing that is empty has a heading', () => {
    paper(speed(-1.8), WORK);
    expect(section('What was done')).toContain('Replaced the belt');
    expect(section('What was wrong')).toContain('slow');
    for (const empty of ['Photos', 'Parts that went in', 'What to watch', 'Price', 'Notes', 'Come again'])
      expect(section(empty), empty).toBe('');
    expect(screen.getByText('Made repair room, Quay 1')).toBeTruthy();
    expect(screen.getByText('Job 0007')).toBeTruthy();
  });

  it('says the price, what to watch and which notes go with it, once they are chosen', () => {
    const note = line({ kind: 'note', text: 'the mat is warped' });
    const lines = [
      line({ kind: 'terms', worth: 90, price: 45, ceiling: null, wantedBy: null }),
      note,
      line({ kind: 'sheet', photos: [], notes: [note.key], watch: 'the belt, in a year' }),
      line({ kind: 'follow-up', why: 'trial', what: 'Ask how it runs', on: '2026-02-01' }),
    ];
    render(<SheetPaper model={sheetModel({ name: 'Made', address: '', currency: 'EUR' } as never, JOB, lines)} />);
    expect(section('Price')).toContain('45');
    expect(section('What to watch')).toContain('the belt, in a year');
    expect(section('Notes')).toContain('the mat is warped');
    expect(section('Come again')).toContain('2026-02-01: Ask how it runs');
  });
});

describe('marks over a photo', () => {
  const of = (...marks: Parameters<typeof PhotoMarks>[0]['marks']) => {
    const { container } = render(<PhotoMarks marks={marks} width={800} height={600} />);
    return container;
  };
  const at = (shape: 'arrow' | 'label' | 'number', text = '', toX = 0.5, toY = 0.5) => ({
    shape,
    x: 0.25,
    y: 0.5,
    toX,
    toY,
    text,
  });
  const number = (element: Element | null, name: string) => Number(element?.getAttribute(name));

  it('a number stands in a ring at its place: a quarter of 800 across, half of 600 down', () => {
    const svg = of(at('number', '3'));
    const ring = svg.querySelector('circle');
    expect([number(ring, 'cx'), number(ring, 'cy')]).toEqual([200, 300]);
    expect(number(ring, 'r')).toBeCloseTo(28, 9);
    expect(number(ring, 'stroke-width')).toBeCloseTo(4, 9);
    const text = svg.querySelector('text');
    expect(text?.textContent).toBe('3');
    expect([number(text, 'x'), number(text, 'fontSize') || number(text, 'font-size')]).toEqual([200, 32]);
  });

  it('a label is a box from its place on, wide enough for its letters, the words in its middle', () => {
    const svg = of(at('label', 'belt'));
    const box = svg.querySelector('rect');
    expect([number(box, 'x'), number(box, 'y'), number(box, 'height')]).toEqual([200, 300, 48]);
    // 32 · (0.62 · 4 + 1).
    expect(number(box, 'width')).toBeCloseTo(111.36, 2);
    expect(number(svg.querySelector('text'), 'x')).toBeCloseTo(200 + 55.68, 2);
  });

  it('an arrow ends where it points, its barbs behind the point, either side of its line', () => {
    const svg = of(at('arrow', '', 0.75, 0.5));
    const paths = svg.querySelectorAll('path');
    expect(paths).toHaveLength(2);
    const numbers = (paths[0]?.getAttribute('d') ?? '').match(/-?[\d.]+/g)?.map(Number) ?? [];
    const [x, y, tx, ty, ax, ay, , , bx, by] = numbers;
    expect([x, y, tx, ty]).toEqual([200, 300, 600, 300]);
    // 36 long, half a radian off its line: 36 cos 0.5 back, 36 sin 0.5 aside.
    expect(ax).toBeCloseTo(600 - 31.59, 1);
    expect(bx).toBeCloseTo(600 - 31.59, 1);
    expect((ay ?? 0) - 300).toBeCloseTo(-17.26, 1);
    expect((by ?? 0) - 300).toBeCloseTo(17.26, 1);
    expect(number(paths[0] as Element, 'stroke-width')).toBeGreaterThan(number(paths[1] as Element, 'stroke-width'));
  });

  it('a photo without marks carries no drawing', () => {
    expect(of().querySelector('svg')).toBeNull();
    expect(within(of(at('number', '1'), at('number', '2'))).getByLabelText('2 marks')).toBeTruthy();
  });
});
