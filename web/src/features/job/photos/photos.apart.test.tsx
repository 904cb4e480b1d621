/** Photos and their marks: where a finger was in parts of the picture, what is drawn, what is kept. */
import type { EventBody, PhotoMark } from '@amber-gauge/core/bench';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { line, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { MarkedPhoto } from './MarkedPhoto.js';
import { PhotoStrip } from './PhotoStrip.js';
import { PhotoView } from './PhotoView.js';

type Handler = (event: unknown) => void;
const canvas = vi.hoisted(() => ({
  size: [0, 0],
  drawn: [] as [string, Record<string, unknown>][],
  down: (_event: unknown): void => undefined,
  move: (_event: unknown): void => undefined,
  up: (_event: unknown): void => undefined,
}));
vi.mock('react-konva', () => {
  const keep = (kind: string) => (props: { children?: ReactNode }) => {
    canvas.drawn.push([kind, props]);
    return <>{props.children}</>;
  };
  return {
    Stage: (props: {
      width: number;
      height: number;
      onPointerDown: Handler;
      onPointerMove: Handler;
      onPointerUp: Handler;
      children: ReactNode;
    }) => {
      canvas.drawn.length = 0;
      canvas.size = [props.width, props.height];
      Object.assign(canvas, { down: props.onPointerDown, move: props.onPointerMove, up: props.onPointerUp });
      return <>{props.children}</>;
    },
    Layer: keep('layer'),
    Group: keep('group'),
    Arrow: keep('arrow'),
    Circle: keep('circle'),
    Label: keep('label'),
    Tag: keep('tag'),
    Text: keep('text'),
  };
});
vi.mock('../../../shared/ui/useWidth.js', () => ({ useWidth: () => [{ current: null }, 400] }));

stage();
beforeEach(() => vi.stubGlobal('innerHeight', 2000));

const PHOTO = {
  kind: 'photo',
  photoId: '00000000-0000-4000-8000-00000000aaaa',
  caption: 'under the platter',
  width: 2000,
  height: 1000,
  about: null,
  place: null,
} as const satisfies EventBody;
const point = (x: number, y: number) => ({ target: { getStage: () => ({ getPointerPosition: () => ({ x, y }) }) } });
const drag = (from: [number, number], to: [number, number]) => {
  act(() => canvas.down(point(...from)));
  act(() => canvas.move(point(...to)));
  act(() => canvas.up(point(...to)));
};
const tap = (at: [number, number]) => {
  act(() => canvas.down(point(...at)));
  act(() => canvas.up(point(...at)));
};
const drawn = (kind: string) => canvas.drawn.filter(([one]) => one === kind).map(([, props]) => props);

describe('marks on a photo', () => {
  const open = (tool: PhotoMark['shape'], marks: readonly PhotoMark[] = []) => {
    const marked = vi.fn();
    show(<MarkedPhoto address="a.jpg" photo={PHOTO} marks={marks} tool={tool} onMark={marked} />);
    return marked;
  };

  it('the picture fills the width, or the height of the window where that is less', () => {
    open('arrow');
    expect(canvas.size).toEqual([400, 200]);
    cleanup();
    // 320 high: 100 are left, but a picture is 240 high at least, which is 480 wide: the room of 400 decides.
    vi.stubGlobal('innerHeight', 320);
    open('arrow');
    expect(canvas.size).toEqual([400, 200]);
    cleanup();
    show(
      <MarkedPhoto
        address="a.jpg"
        photo={{ ...PHOTO, width: 1000, height: 2000 }}
        marks={[]}
        tool="arrow"
        onMark={() => {}}
      />,
    );
    expect(canvas.size).toEqual([120, 240]);
  });

  it('an arrow goes from tail to tip, in parts of the picture; it is seen while it is drawn', () => {
    const marked = open('arrow');
    act(() => canvas.down(point(100, 50)));
    act(() => canvas.move(point(300, 150)));
    expect(drawn('arrow').map(({ points }) => points)).toEqual([
      [100, 50, 300, 150],
      [100, 50, 300, 150],
    ]);
    act(() => canvas.up(point(300, 150)));
    expect(marked).toHaveBeenCalledWith({ x: 0.25, y: 0.25, toX: 0.75, toY: 0.75 });
    expect(drawn('arrow')).toEqual([]);
  });

  it('beyond the edge it ends at the edge; one as short as a tap is none', () => {
    const marked = open('arrow');
    drag([200, 100], [500, -20]);
    expect(marked).toHaveBeenLastCalledWith({ x: 0.5, y: 0.5, toX: 1, toY: 0 });
    drag([200, 100], [204, 101]);
    tap([10, 10]);
    expect(marked).toHaveBeenCalledTimes(1);
    drag([200, 100], [208, 100]);
    expect(marked).toHaveBeenCalledTimes(2);
  });

  it('numbers and labels stand where they were tapped', () => {
    const marked = open('number');
    drag([100, 150], [300, 0]);
    expect(marked).toHaveBeenCalledWith({ x: 0.25, y: 0.75, toX: 0.25, toY: 0.75 });
    cleanup();
    open('label', [
      { shape: 'number', x: 0.5, y: 0.5, toX: 0.5, toY: 0.5, text: '2' },
      { shape: 'label', x: 0.25, y: 0.1, toX: 0.25, toY: 0.1, text: 'R12' },
    ]);
    expect(drawn('group')).toMatchObject([{ x: 200, y: 100 }]);
    expect(drawn('label')).toMatchObject([{ x: 100, y: 20 }]);
    expect(drawn('text').map(({ text }) => text)).toEqual(['2', 'R12']);
    expect(drawn('arrow')).toEqual([]);
  });
});

describe('a photo opened', () => {
  const open = (...marks: EventBody[]) => {
    const photo = line(PHOTO);
    const view = viewOf([photo, ...marks.map((body) => line({ ...body, target: photo.key } as EventBody))]);
    const closed = vi.fn();
    show(<PhotoView view={view} stage="find" shown={view.state.photos[0] as never} onClose={closed} />);
    return { photo, closed };
  };
  const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));

  it('numbers count by themselves, a label says its words, and all is kept as one line', async () => {
    const { photo, closed } = open();
    expect((screen.getByRole('button', { name: 'Keep the marks' }) as HTMLButtonElement).disabled).toBe(true);
    drag([0, 0], [400, 200]);
    press('number');
    tap([100, 50]);
    tap([200, 100]);
    press('label');
    tap([200, 100]);
    fireEvent.change(screen.getByLabelText('Label'), { target: { value: ' R12 ' } });
    tap([300, 100]);
    press('Keep the marks');
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect(await bodies()).toEqual([
      {
        kind: 'marks',
        target: photo.key,
        marks: [
          { shape: 'arrow', x: 0, y: 0, toX: 1, toY: 1, text: '' },
          { shape: 'number', x: 0.25, y: 0.25, toX: 0.25, toY: 0.25, text: '1' },
          { shape: 'number', x: 0.5, y: 0.5, toX: 0.5, toY: 0.5, text: '2' },
          { shape: 'label', x: 0.5, y: 0.5, toX: 0.5, toY: 0.5, text: 'here' },
          { shape: 'label', x: 0.75, y: 0.5, toX: 0.75, toY: 0.5, text: 'R12' },
        ],
      },
    ]);
    expect(closed).toHaveBeenCalledOnce();
  });

  it('the last mark comes off; back to what it was there is nothing to keep', () => {
    const mark = { shape: 'number', x: 0.5, y: 0.5, toX: 0.5, toY: 0.5, text: '1' };
    const { closed } = open({ kind: 'marks', marks: [mark] } as unknown as EventBody);
    press('number');
    tap([100, 50]);
    expect(drawn('text').map(({ text }) => text)).toEqual(['1', '2']);
    expect(screen.getByRole('button', { name: 'Leave as it was' })).toBeTruthy();
    press('Take the last mark off');
    expect((screen.getByRole('button', { name: 'Keep the marks' }) as HTMLButtonElement).disabled).toBe(true);
    press('Take the last mark off');
    expect((screen.getByRole('button', { name: 'Take the last mark off' }) as HTMLButtonElement).disabled).toBe(true);
    press('Leave as it was');
    expect(closed).toHaveBeenCalledOnce();
  });
});

describe('photos in a row', () => {
  it('are those of their line, with how many marks each has; a tap opens it', async () => {
    const [photo, other] = [line(PHOTO), line({ ...PHOTO, caption: '', about: 'step-1' } as EventBody)];
    const mark = { shape: 'number', x: 0.5, y: 0.5, toX: 0.5, toY: 0.5, text: '1' } as PhotoMark;
    const view = viewOf([photo, other, line({ kind: 'marks', target: photo.key, marks: [mark, mark] } as EventBody)]);
    show(<PhotoStrip view={view} stage="find" about={null} />);
    const [thumb, none] = screen.getAllByRole('button', { name: /^Open/ });
    expect(none).toBeUndefined();
    expect(thumb?.getAttribute('aria-label')).toBe('Open under the platter');
    expect(thumb?.textContent).toBe('2');
    expect(thumb?.querySelector('img')?.getAttribute('src')).toBe(`/api/v1/photos/${PHOTO.photoId}/thumb`);
    fireEvent.click(thumb as HTMLElement);
    const full = within(await screen.findByRole('dialog')).getByAltText('under the platter');
    expect(full.getAttribute('src')).toBe(`/api/v1/photos/${PHOTO.photoId}`);
    cleanup();
    show(<PhotoStrip view={view} stage="find" about="step-1" />);
    expect(screen.getByRole('button').getAttribute('aria-label')).toMatch(/^Open photo \S/);
    cleanup();
    const { container } = show(<PhotoStrip view={view} stage="find" about="step-2" />);
    expect(container.textContent).toBe('');
  });
});
