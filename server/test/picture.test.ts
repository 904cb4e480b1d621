/** Pictures as they are kept: sizes by the rule of the shop's shelf (4000 and 320 at most), nothing but the picture left. */
import sharp, { type Sharp } from 'sharp';
import { describe, expect, it } from 'vitest';
import { keptPicture, madePicture } from '../src/features/photos/picture.js';

const plain = (width: number, height: number, background = '#3a6ea5') =>
  sharp({ create: { width, height, channels: 3, background } });
const sizeOf = async (bytes: Buffer) => {
  const { width, height, format } = await sharp(bytes).metadata();
  return [width, height, format];
};

describe('a picture made anew', () => {
  it.each<[string, Sharp, [number, number, string], [number, number]]>([
    ['too wide', plain(5000, 2500).png(), [4000, 2000, 'png'], [320, 160]],
    ['too high', plain(1000, 5000).jpeg(), [800, 4000, 'jpeg'], [64, 320]],
    ['small stays small', plain(100, 50).jpeg(), [100, 50, 'jpeg'], [100, 50]],
    ['of another kind', plain(400, 400).webp(), [400, 400, 'jpeg'], [320, 320]],
    ['on its side', plain(100, 50).jpeg().withMetadata({ orientation: 6 }), [50, 100, 'jpeg'], [50, 100]],
  ])('%s', async (_name, picture, kept, thumb) => {
    const made = await madePicture(await picture.toBuffer());
    expect(await sizeOf(made.bytes)).toEqual(kept);
    expect(await sizeOf(made.thumb)).toEqual([...thumb, 'jpeg']);
    expect(made.mediaType).toBe(`image/${kept[2]}`);
    const { exif, orientation } = await sharp(made.bytes).metadata();
    expect([exif, orientation ?? 1]).toEqual([undefined, 1]);
  });

  it('a small one of what is seen through is white there', async () => {
    const glass = sharp({ create: { width: 10, height: 10, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } });
    const { thumb } = await madePicture(await glass.png().toBuffer());
    const [red, green, blue] = await sharp(thumb).raw().toBuffer();
    for (const one of [red, green, blue]) expect(one).toBeGreaterThan(250);
  });

  it('of one that moves the first picture is kept', async () => {
    const frames = await Promise.all(['#ff0000', '#0000ff'].map((colour) => plain(40, 20, colour).png().toBuffer()));
    const moving = await sharp(frames, { join: { animated: true } })
      .webp({ lossless: true })
      .toBuffer();
    expect((await sharp(moving, { animated: true }).metadata()).pages).toBe(2);
    const { bytes } = await madePicture(moving);
    expect(await sizeOf(bytes)).toEqual([40, 20, 'jpeg']);
    const [red = 0, , blue = 0] = await sharp(bytes).raw().toBuffer();
    expect(red).toBeGreaterThan(200);
    expect(blue).toBeLessThan(50);
  });

  it('what is none is refused by its kind, a damaged one by its damage', async () => {
    const gif = await plain(10, 10).gif().toBuffer();
    await expect(madePicture(gif)).rejects.toMatchObject({ code: 'UNSUPPORTED_TYPE' });
    await expect(madePicture(Buffer.from('no picture'))).rejects.toMatchObject({ code: 'UNSUPPORTED_TYPE' });
    const whole = await sharp({
      create: {
        width: 300,
        height: 300,
        channels: 3,
        noise: { type: 'gaussian', mean: 128, sigma: 40 },
        background: '#000',
      },
    })
      .png()
      .toBuffer();
    await expect(madePicture(whole.subarray(0, whole.length / 2))).rejects.toMatchObject({ code: 'BAD_REQUEST' });
    // One that failed does not keep the next from being made.
    expect(await sizeOf((await madePicture(await plain(10, 10).png().toBuffer())).bytes)).toEqual([10, 10, 'png']);
  });
});

describe('a picture that was made here before', () => {
  const same = async (bytes: Buffer) => (await keptPicture(bytes)).bytes.equals(bytes);
  const jpeg = () => plain(60, 40).jpeg().toBuffer();
  const png = () => plain(60, 40).png().toBuffer();

  it('stays as it is, byte for byte', async () => {
    expect(await same(await jpeg())).toBe(true);
    expect(await same(await png())).toBe(true);
    expect(await same(await plain(4000, 10).png().toBuffer())).toBe(true);
  });

  it.each<[string, () => Promise<Buffer>]>([
    ['of another kind', () => plain(60, 40).webp().toBuffer()],
    ['larger than is kept', () => plain(4001, 10).png().toBuffer()],
    ['turned', () => plain(60, 40).jpeg().withMetadata({ orientation: 3 }).toBuffer()],
    [
      'with words about where it was taken',
      () =>
        plain(60, 40)
          .jpeg()
          .withExif({ IFD0: { Copyright: 'me' } })
          .toBuffer(),
    ],
    ['with colours of its own', () => plain(60, 40).jpeg().withIccProfile('p3').toBuffer()],
    ['with something behind it', async () => Buffer.concat([await jpeg(), Buffer.from('<script>')])],
    ['with another picture behind it', async () => Buffer.concat([await jpeg(), await jpeg()])],
    ['with something behind a drawing', async () => Buffer.concat([await png(), Buffer.from('PK')])],
  ])('%s it is made anew', async (_name, bytes) => {
    const before = await bytes();
    const { bytes: kept } = await keptPicture(before);
    expect(kept.equals(before)).toBe(false);
    expect(kept.includes('<script>')).toBe(false);
    const { exif, icc } = await sharp(kept).metadata();
    expect([exif, icc]).toEqual([undefined, undefined]);
  });
});
