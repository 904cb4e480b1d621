/** The list of keys: opened by its own, closed again, with the capture key of this shop. */
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { show } from '../../test/scene.js';
import { KeysHelp } from './KeysHelp.js';

describe('the list of keys', () => {
  it('opens by ? and by its button, and closes by Escape', async () => {
    const { unmount } = show(<KeysHelp />);
    expect(screen.queryByRole('dialog')).toBeNull();
    fireEvent.keyDown(window, { key: '?' });
    expect(await screen.findByRole('dialog')).toBeTruthy();
    const keys = [...document.querySelectorAll('dt')].map((one) => one.textContent);
    expect(keys).toContain('F9');
    expect(keys).toContain('?');
    expect(new Set(keys).size).toBeGreaterThan(8);
    expect(document.querySelectorAll('dd')).toHaveLength(keys.length);
    fireEvent.keyDown(screen.getByRole('dialog'), { key: 'Escape' });
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    fireEvent.click(screen.getByRole('button', { name: 'Keys' }));
    expect(await screen.findByRole('dialog')).toBeTruthy();
    unmount();
  });

  it('not by another key, nor while somebody types', () => {
    show(
      <>
        <input aria-label="field" />
        <KeysHelp />
      </>,
    );
    fireEvent.keyDown(window, { key: '/' });
    screen.getByLabelText('field').focus();
    fireEvent.keyDown(window, { key: '?' });
    expect(screen.queryByRole('dialog')).toBeNull();
  });
});
