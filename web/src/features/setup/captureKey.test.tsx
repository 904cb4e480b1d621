/** The capture key is learnt by one press; keys that have another use, and Escape, change nothing. */
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { queryClient } from '../../shared/api/queries.js';
import { CaptureKey } from './CaptureKey.js';

const sent: unknown[] = [];
beforeEach(() => {
  sent.length = 0;
  queryClient.clear();
  vi.stubGlobal('fetch', (_url: string, init?: RequestInit) => {
    sent.push(JSON.parse(String(init?.body ?? 'null')));
    return Promise.reject(new TypeError('away'));
  });
});

const open = (captureKey = 'F9') =>
  render(
    <QueryClientProvider client={queryClient}>
      <CaptureKey settings={{ version: 4, captureKey } as Parameters<typeof CaptureKey>[0]['settings']} />
    </QueryClientProvider>,
  );
const learn = () => fireEvent.click(screen.getByRole('button', { name: 'Learn another' }));
const press = (key: string) => act(() => void fireEvent.keyDown(window, { key }));
const waits = () => screen.queryByRole('button', { name: 'Press the key or pedal now' }) !== null;
const status = () => screen.getByRole('status').textContent;

describe('the capture key', () => {
  it('shows what it is, Space by its name', () => {
    open();
    expect(screen.getByText('F9')).toBeTruthy();
    cleanup();
    open(' ');
    expect(screen.getByText('Space')).toBeTruthy();
  });

  it('is learnt by the next press, once', async () => {
    open();
    press('F10');
    expect(sent).toEqual([]);
    learn();
    expect(waits()).toBe(true);
    press('F10');
    await waitFor(() => expect(sent).toEqual([{ version: 4, fields: { captureKey: 'F10' } }]));
    expect(waits()).toBe(false);
    press('F11');
    expect(sent).toHaveLength(1);
  });

  it('Space may be it, a letter or the key of the entry line may not', async () => {
    open();
    for (const key of ['a', '7', 'Enter', 'Tab']) {
      learn();
      press(key);
      expect(waits(), key).toBe(false);
      expect(status(), key).toMatch(new RegExp(`^${key} has another use here`));
    }
    expect(sent).toEqual([]);
    learn();
    press(' ');
    await waitFor(() => expect(sent).toEqual([{ version: 4, fields: { captureKey: ' ' } }]));
  });

  it('Escape leaves it as it was', () => {
    open();
    learn();
    press('Escape');
    expect(waits()).toBe(false);
    expect(sent).toEqual([]);
    expect(status()).toMatch(/^One press with both hands busy/);
  });
});
