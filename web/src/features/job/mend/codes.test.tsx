import 'fake-indexeddb/auto';
import { EMPTY_SHEET } from '@amber-gauge/core/families';
import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { show, viewOf } from '../../../test/scene.js';
import { FindContext } from '../find/findContext.js';
import type { Find } from '../find/useFind.js';
import { Sums } from './Sums.js';

describe('codes of the model’s sheet', () => {
  it('stand in the sum of lamps, and name the number that is shown', () => {
    const kept = { model: 'Vask 7', version: 2, sheet: { ...EMPTY_SHEET, codes: '26 = pump, 37 = door' } };
    show(
      <FindContext value={{ kept } as unknown as Find}>
        <Sums view={viewOf([])} stage="find" />
      </FindContext>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Code on a row of lamps: as read here' }));
    expect(screen.getByText('from its sheet')).toBeTruthy();
    fireEvent.change(screen.getByRole('textbox', { name: /^Lamps from left/ }), { target: { value: '0 1 1 0 1 0' } });
    expect(screen.getAllByRole('definition').map((one) => one.textContent)).toEqual(['26: pump', '37: door', '22']);
  });
});
