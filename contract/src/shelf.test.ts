import { shelfOf } from '@amber-gauge/core/bench';
import { describe, expect, it } from 'vitest';
import { addShelfSchema, lotsFromCsv, lotsToCsv } from './shelf.js';

const TODAY = '2026-02-01';

describe('the shelf as a table', () => {
  it('takes the rows that can be and says why the others cannot, each by its row', () => {
    const { lots, problems } = lotsFromCsv(
      'Part,Supplier,Quantity,Price,Place\nbelt 198,Ferry Parts,3,"2,40",drawer 1\n,Ferry Parts,1,,\nidler,Quay,1.5,,\nfuse,Quay,10,-1,\nlamp,Quay,2,,\n',
      TODAY,
    );
    expect(lots.map((one) => [one.part, one.quantity, one.price, one.orderedOn, one.claimDays])).toEqual([
      ['belt 198', 3, 2.4, TODAY, 30],
      ['lamp', 2, null, TODAY, 30],
    ]);
    expect(problems.map((one) => one.row)).toEqual([3, 4, 5]);
    expect(problems[1]?.message).toContain('quantity');
    expect(lotsFromCsv('name;number\nx;1', TODAY).problems[0]?.message).toContain('“part”, “supplier”, “quantity”');
    expect(lotsFromCsv('', TODAY)).toMatchObject({ lots: [] });
  });

  it('comes back from its own export, and a formula stays text', () => {
    const { lots } = lotsFromCsv('part,supplier,quantity,price,expected\n"=1+1, ""x""",Ä & Ö,7,0.5,2026-03-01', TODAY);
    const shelf = shelfOf([{ key: 'a', at: '2026-02-01T00:00:00.000Z', body: lots[0] as (typeof lots)[0] }], TODAY);
    const text = lotsToCsv(shelf.lots);
    expect(text).toContain("'=1+1");
    expect(lotsFromCsv(text, TODAY).lots[0]).toEqual({ ...lots[0], part: '\'=1+1, "x"' });
  });

  it('refuses what cannot be kept', () => {
    const line = (body: object) => ({
      lines: [{ key: '00000000-0000-4000-8000-000000000001', at: '2026-01-01T00:00:00Z', body }],
    });
    const lot = {
      kind: 'lot',
      part: 'a',
      supplier: 'b',
      quantity: 1,
      price: null,
      orderedOn: TODAY,
      expectedOn: null,
      claimDays: 0,
      place: '',
    };
    const takes = (body: object) => addShelfSchema.safeParse(line(body)).success;
    expect(takes(lot)).toBe(true);
    for (const bad of [
      { quantity: 0 },
      { quantity: 1e7 },
      { price: -1 },
      { orderedOn: '1999-12-31' },
      { orderedOn: '2026-02-30' },
      { part: ' ' },
      { claimDays: -1 },
    ])
      expect(takes({ ...lot, ...bad }), JSON.stringify(bad)).toBe(false);
  });
});

describe('a motor on the shelf', () => {
  const lot = (motor: Record<string, string>) => ({
    lines: [
      {
        key: '00000000-0000-4000-8000-000000000001',
        at: '2026-01-01T08:00:00.000Z',
        body: {
          kind: 'lot',
          part: 'motor',
          supplier: 'Quay',
          quantity: 1,
          price: null,
          orderedOn: '2026-01-01',
          expectedOn: null,
          claimDays: 30,
          place: '',
          motor,
        },
      },
    ],
  });

  it('carries the fields of a candidate and no others', () => {
    expect(addShelfSchema.safeParse(lot({ newVolts: '12', newRpm: '2400' })).success).toBe(true);
    expect(addShelfSchema.safeParse(lot({ rpm: '2400' })).success).toBe(false);
    expect(addShelfSchema.safeParse(lot({ constructor: 'x' })).success).toBe(false);
  });
});
