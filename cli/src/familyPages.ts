/** `family-pages FOLDER`: a page a family from its data, for a technician to read and correct. */
import { engineOf, healthyAnswer, reportOf, type Engine } from '@amber-gauge/core/diagnosis';
import {
  banOf,
  CAUTIONS,
  FAMILIES,
  PATHS,
  type DrivePath,
  type Family,
  type PathTest,
} from '@amber-gauge/core/families';
import { fixed, ownEntry } from '@amber-gauge/core/quantity';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CommandAnswer } from './answer.js';
import { CliRefusal } from './refusal.js';

export async function familyPagesCommand(args: readonly string[]): Promise<CommandAnswer> {
  const [folder] = args;
  if (!folder) throw new CliRefusal('USAGE', 'Name the folder: family-pages FOLDER');
  mkdirSync(folder, { recursive: true });
  const pages = FAMILIES.flatMap((family) => {
    const path = PATHS.get(family.id);
    return path ? [{ id: family.id, text: familyPage(family, path) }] : [];
  });
  for (const { id, text } of pages) writeFileSync(join(folder, `${id}.md`), text);
  return { json: { folder, pages: pages.map((page) => page.id) }, words: `${pages.length} pages in ${folder}` };
}

const LANES = ['supply', 'control', 'mechanical', 'feedback'] as const;
/** A cell of a table: no bar of its own. */
const cell = (text: string): string => text.replace(/\|/g, '/');
const row = (...cells: readonly string[]): string => `| ${cells.map(cell).join(' | ')} |`;

/** The page of one family in Markdown. */
export function familyPage(family: Family, path: DrivePath): string {
  const engine = engineOf(path, { most: 1, leastMore: Infinity });
  return [
    `# ${family.order}. ${family.name}`,
    '',
    'Made from the data by `npm run family-pages`; correct the data, not this page. Common practice unless a source is named.',
    '',
    ...pathSection(path),
    ...faultSection(path),
    ...testSection(engine, family),
    ...mendSection(path),
    ...alikeSection(engine),
    '## Cautions',
    '',
    ...family.cautions.map((id) => `- ${CAUTIONS.find((one) => one.id === id)?.text ?? id}`),
    '',
    family.licensed,
    '',
  ].join('\n');
}

function pathSection(path: DrivePath): string[] {
  const variants = path.options.map((one) => `- ${one.name}: ${one.choices.map(({ name }) => name).join(', or ')}`);
  const lanes = LANES.flatMap((lane) => {
    const blocks = path.blocks.filter((block) => block.lane === lane);
    return blocks.length > 0 ? [`- ${lane}: ${blocks.map((block) => block.name).join(', ')}`] : [];
  });
  return [
    ...(variants.length > 0 ? ['## Variants', '', ...variants, ''] : []),
    '## Path',
    '',
    ...lanes,
    '',
    `Asked under: ${path.contexts.map((one) => `${one.name} (${one.values.join(', ')})`).join('; ')}.`,
    '',
    `Reached by: ${path.levels.map((one) => `${one.name} (${one.minutes} min)`).join(', then ')}.`,
    '',
  ];
}

function faultSection(path: DrivePath): string[] {
  const rows = path.blocks.flatMap((block) =>
    block.modes.map((mode) =>
      row(
        block.name,
        `${mode.name}${mode.bans ? ` (no power: ${banOf(mode.bans).why.toLowerCase()})` : ''}`,
        mode.byWork ? 'by work' : fixed(100 * mode.prior, 1),
        mendsOf(path, `${block.id}.${mode.id}`),
      ),
    ),
  );
  return [
    '## Faults',
    '',
    'Chance that a unit which comes in has it, in percent; by work: likelier after the part was touched.',
    '',
    row('part', 'fault', '%', 'mended by'),
    '|---|---|---|---|',
    ...rows,
    '',
  ];
}

const testSection = (engine: Engine, family: Family): string[] => [
  '## Tests',
  '',
  row('test', 'how', 'where', 'power', 'hands + waiting, min', 'healthy', 'other answers', 'opens, cautions'),
  '|---|---|---|---|---|---|---|---|',
  ...engine.model.path.tests.map((test) => testRow(engine, family, test)),
  '',
];

const mendSection = (path: DrivePath): string[] => [
  '## Mends',
  '',
  row('mend', 'hands + waiting, min', 'parts, money', 'still there after it, %'),
  '|---|---|---|---|',
  ...path.repairs.map((one) =>
    row(one.name, `${one.handsMin} + ${one.waitMin}`, String(one.money), fixed(100 * one.residual, 0)),
  ),
  '',
];

function alikeSection(engine: Engine): string[] {
  const { path } = engine.model;
  const { alike } = reportOf(engine);
  const pairs = alike.map(
    ({ modes: [one, other] }) => `- ${faultName(path, one)}, and ${faultName(path, other)} (one mend cures both)`,
  );
  return ['## Faults that no test tells apart', '', ...(pairs.length > 0 ? pairs : ['None.']), ''];
}

function faultName(path: DrivePath, ref: string): string {
  const [block, ...mode] = ref.split('.');
  return path.blocks.find((one) => one.id === block)?.modes.find((one) => one.id === mode.join('.'))?.name ?? ref;
}

const mendsOf = (path: DrivePath, ref: string): string =>
  path.repairs
    .filter((one) => one.cures.some((cure) => cure === ref || cure === `${ref.split('.')[0]}.*`))
    .map((one) => one.name)
    .join('; ');

function testRow(engine: Engine, family: Family, test: PathTest): string {
  const { path } = engine.model;
  const healthy = healthyAnswer(engine, test);
  const measure = path.signals.find((one) => one.id === test.signal)?.measure;
  const band = measure?.bands.find((one) => healthy?.states.includes(one.state));
  const range =
    band && measure ? `, ${band.from ?? ''} to ${band.to ?? ''} ${measure.unit} (${measure.origin.text})` : '';
  const context = path.contexts.flatMap((one) =>
    ownEntry(test.context, one.id) ? [`${one.name}: ${ownEntry(test.context, one.id)}`] : [],
  );
  const opens = family.openEnds.filter((end) => test.opens.includes(end.id)).map((end) => end.what);
  const cautions = test.cautions.map((id) => CAUTIONS.find((one) => one.id === id)?.text ?? id);
  return row(
    test.name,
    test.how,
    [path.levels.find((one) => one.id === test.level)?.name ?? '', ...context].join('; '),
    test.probe ? `${test.power}, probe` : test.power,
    `${test.handsMin} + ${test.waitMin}`,
    `${healthy?.words ?? ''}${range}`,
    test.outcomes
      .filter((one) => one.id !== healthy?.id)
      .map((one) => one.words)
      .join('; '),
    [...opens, ...cautions].join('; '),
  );
}
