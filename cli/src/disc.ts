/** `gauge disc --mains 50 --rpm 33.333,45 [--flashes-per-cycle 2] --out FILE.svg|.pdf`: a disc or strip at true size. */
import { writeFile } from 'node:fs/promises';
import { drawingSvg, PAPERS, traceDrawing, type Drawing, type Paper } from '@amber-gauge/core/formats';
import { discProblems, discRings, drawDisc, type DiscWish } from '@amber-gauge/core/speed';
import { fixed, ownEntry, signed } from '@amber-gauge/core/quantity';
import PDFDocument from 'pdfkit';
import type { CommandAnswer } from './answer.js';
import { given, positive, readFlags } from './options.js';
import { CliRefusal } from './refusal.js';

const USAGE =
  'Usage: gauge disc --mains 50 --rpm 33.333,45 [--flashes-per-cycle 1|2] [--paper A4|Letter] [--diameter MM] [--hole MM] [--strip MM] --out FILE.svg|FILE.pdf [--json]';
const NAMES = ['mains', 'rpm', 'flashes-per-cycle', 'paper', 'diameter', 'hole', 'strip', 'out'];

export async function discCommand(args: readonly string[]): Promise<CommandAnswer> {
  const values = readFlags(args, NAMES, USAGE);
  const out = values.out ?? '';
  if (!/\.(svg|pdf)$/i.test(out)) throw new CliRefusal('USAGE', `--out wants a file ending in .svg or .pdf. ${USAGE}`);
  const wish = wishOf(values);
  const [problem] = discProblems(wish);
  if (problem) throw new CliRefusal('UNUSABLE', problem.message);
  const pages = drawDisc(wish);
  if (/\.svg$/i.test(out) && pages.length > 1)
    throw new CliRefusal('UNUSABLE', 'It takes more than one page: ask for a .pdf, or for fewer speeds.');
  const file = /\.svg$/i.test(out) ? drawingSvg(pages[0] as Drawing) : await pdfOf(pages);
  try {
    await writeFile(out, file);
  } catch {
    throw new CliRefusal('UNUSABLE', `${out} cannot be written: look at the folder.`);
  }
  const rings = discRings(wish);
  return {
    json: {
      file: out,
      pages: pages.length,
      rings: rings.map((ring) => ({
        nominal_rpm: ring.nominalRpm,
        bars: ring.bars,
        residue_percent: ring.residuePercent,
      })),
    },
    words: [
      ...rings.map(
        (ring) =>
          `${fixed(ring.nominalRpm, 3)} rpm: ${ring.bars} bars, ${signed(ring.residuePercent, 3)} % when it stands still`,
      ),
      `Written to ${out}. Print it at 100 % and measure its ruler.`,
    ].join('\n'),
  };
}

function wishOf(values: Readonly<Record<string, string | undefined>>): DiscWish {
  const flashes = values['flashes-per-cycle'] ?? '2';
  if (flashes !== '1' && flashes !== '2') throw new CliRefusal('USAGE', `--flashes-per-cycle is 1 or 2. ${USAGE}`);
  const paper = values.paper ?? 'A4';
  if (ownEntry(PAPERS, paper) === undefined) throw new CliRefusal('USAGE', `--paper is A4 or Letter. ${USAGE}`);
  if (values.rpm === undefined) throw new CliRefusal('USAGE', `--rpm wants speeds, apart by commas. ${USAGE}`);
  const stripMm = given(values.strip, 'strip') ?? null;
  return {
    speedsRpm: values.rpm.split(',').map((one) => positive(one.trim(), 'rpm')),
    lampHz: positive(values.mains, 'mains'),
    flashesPerCycle: flashes === '2' ? 2 : 1,
    paper: paper as Paper,
    discMm: stripMm === null ? (given(values.diameter, 'diameter') ?? 190) : null,
    holeMm: given(values.hole, 'hole') ?? 7.24,
    stripMm,
  };
}

/** The pages as one PDF. */
function pdfOf(pages: readonly Drawing[]): Promise<Buffer> {
  const doc = new PDFDocument({ autoFirstPage: false, margin: 0, info: { Title: pages[0]?.title ?? '' } });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  for (const page of pages) {
    doc.addPage({ size: [(page.widthMm * 72) / 25.4, (page.heightMm * 72) / 25.4], margin: 0 });
    traceDrawing(page, doc);
  }
  doc.end();
  return done;
}
