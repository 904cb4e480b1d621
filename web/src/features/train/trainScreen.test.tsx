/** The drive train as a whole: what comes out, by diameters and poles worked out by hand, and the model's sheet. */
import { FAMILIES } from '@amber-gauge/core/families';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { answering, show, stubSizes } from '../../test/scene.js';
import { SheetOf } from './SheetOf.js';
import { TakeUp } from './TakeUp.js';
import { RIM } from './train.test-data.js';
import { TrainScreen } from './TrainScreen.js';

beforeEach(stubSizes);

const plain = (text: string | null | undefined) => (text ?? '').replaceAll('\u202f', ' ');
const told = () => plain(screen.getByRole('status').textContent);
const choose = (label: string, option: string | RegExp) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
  fireEvent.click(screen.getByRole('option', { name: option }));
};
const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('what comes out of the train', () => {
  it('sixteen poles at 50 Hz turn 375 a minute; 22.63 over 254.6 with half the belt makes 33⅓', () => {
    show(<TrainScreen />);
    // To the middle of the belt: (22.03 + 0.6) / (254 + 0.6) · 375 = 33.332.
    expect(told()).toBe('33⅓ rpm comes out at 33.332 rpm, 0.00 %');
    fireEvent.click(within(screen.getByRole('group', { name: 'Speed' })).getByRole('button', { name: /^45/ }));
    // (29.95 + 0.6) / 254.6 · 375 = 44.997.
    expect(told()).toBe('45 rpm comes out at 44.997 rpm, −0.01 %');
  });

  it('on mains of 60 Hz it is a fifth fast; without a frequency nothing is reckoned', () => {
    show(<TrainScreen />);
    type('Mains', '60');
    expect(told()).toBe('33⅓ rpm comes out at 39.998 rpm, +19.99 %');
    type('Mains', 'none');
    expect(told()).toBe('Not reckoned yet: look at the fields marked below');
    expect((screen.getByLabelText('Mains') as HTMLInputElement).getAttribute('aria-invalid')).toBe('true');
    expect(screen.queryByRole('region', { name: 'Take-up' })).toBeNull();
  });

  it('another usual train stands there when it is chosen; a deck winds up what it pulls', () => {
    show(<TrainScreen />);
    choose('Begin with', /cassette/i);
    expect(told()).toMatch(/4\.76 cm\/s comes out at 4\.\d{3} cm\/s/);
    expect(screen.getByRole('region', { name: 'Take-up' })).toBeTruthy();
    choose('Begin with', /^Belt turntable, synchronous/);
    expect(told()).toMatch(/^33⅓ rpm comes out/);
    expect(screen.queryByRole('region', { name: 'Take-up' })).toBeNull();
  });
});

describe('take-up', () => {
  it('from hub to full reel: 47.6 mm a second at 11 and 25 mm', () => {
    show(<TakeUp tapeMmPerS={47.625} />);
    // 60 · 47.625 / (2 π · 11) = 41.34; at 25 mm 18.19.
    expect(plain(screen.getByText(/^Winding takes/).textContent)).toContain(
      '41.34 rpm at the hub and 18.19 rpm when full',
    );
    expect(screen.queryByText(/in hand|too slow/)).toBeNull();
    type('Spindle, running free', '62');
    // 62 / 41.344 − 1 = 49.96 %.
    expect(screen.getByText(/^It keeps/).textContent).toBe('It keeps +50.0 % in hand at the hub.');
    type('Spindle, running free', '40');
    expect(screen.getByText(/too slow at the hub/).textContent).toMatch(/^It is 3\.3 % too slow .* the tape spills/);
    type('Radius of the bare hub', '0');
    expect(screen.queryByText(/^Winding takes/)).toBeNull();
    expect(screen.queryByText(/too slow/)).toBeNull();
  });
});

describe('the train of a model’s sheet', () => {
  const family = FAMILIES[0]?.id ?? '';
  const sheet = (train: unknown) => ({
    model: 'made up',
    version: 3,
    sheet: { absent: ['strobe'], places: {}, bands: {}, ...(train ? { train } : {}) },
  });
  const open = (train: typeof RIM | null, model: string | null, routes: Record<string, unknown>) => {
    const got = vi.fn();
    const sent = answering(routes);
    show(<SheetOf familyId={model === null ? null : family} model={model} train={train} onTrain={got} />);
    return { got, sent };
  };

  it('opened from a job it stands there at once, once', async () => {
    const { got, sent } = open(RIM, 'made up', { '/families': sheet(RIM) });
    await waitFor(() => expect(got).toHaveBeenCalledTimes(1));
    expect(got.mock.calls[0]?.[0]).toMatchObject({ speeds: RIM.speeds });
    expect(sent[0]?.url).toBe(`/families/${family}/sheet?model=made%20up`);
    fireEvent.click(screen.getByRole('button', { name: 'Fetch its train' }));
    expect(got).toHaveBeenCalledTimes(2);
  });

  it('typed by hand it is fetched only when it is asked for', async () => {
    const { got } = open(RIM, null, { '/families': sheet(RIM) });
    expect((screen.getByRole('button', { name: 'Keep it there' }) as HTMLButtonElement).disabled).toBe(true);
    type('Model', ' made up ');
    fireEvent.click(await screen.findByRole('button', { name: 'Fetch its train' }));
    expect(got).toHaveBeenCalledTimes(1);
  });

  it('is kept with the rest of the sheet and the version that was seen', async () => {
    const { sent } = open(RIM, 'made up', {
      '/families': (_url: string, body: unknown) => (body ? { ...sheet(RIM), version: 4 } : sheet(null)),
    });
    await waitFor(() =>
      expect((screen.getByRole('button', { name: 'Keep it there' }) as HTMLButtonElement).disabled).toBe(false),
    );
    fireEvent.click(screen.getByRole('button', { name: 'Keep it there' }));
    await waitFor(() => expect(sent.at(-1)?.method).toBe('PUT'));
    expect(sent.at(-1)?.body).toMatchObject({
      model: 'made up',
      version: 3,
      sheet: { absent: ['strobe'], train: { speeds: RIM.speeds } },
    });
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('one that somebody changed meanwhile is not written over; one that cannot be had says so', async () => {
    const clash = { error: { code: 'CONFLICT', message: 'Changed meanwhile.' } };
    open(RIM, 'made up', {
      '/families': (_url: string, body: unknown) => (body ? Response.json(clash, { status: 409 }) : sheet(null)),
    });
    const key = screen.getByRole('button', { name: 'Keep it there' }) as HTMLButtonElement;
    await waitFor(() => expect(key.disabled).toBe(false));
    fireEvent.click(key);
    expect((await screen.findByRole('alert')).textContent).toBe(
      'Somebody changed this sheet meanwhile. Keep again to put yours on it.',
    );
    cleanup();
    open(RIM, 'made up', {});
    expect(await screen.findByText('The sheet cannot be had just now.')).toBeTruthy();
  });

  it('one that cannot be reckoned is not kept', async () => {
    open(null, 'made up', { '/families': sheet(RIM) });
    await screen.findByRole('button', { name: 'Fetch its train' });
    expect((screen.getByRole('button', { name: 'Keep it there' }) as HTMLButtonElement).disabled).toBe(true);
  });
});
