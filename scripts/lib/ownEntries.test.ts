import { beforeAll, describe, expect, it } from 'vitest';
import ts from 'typescript';

const root = new URL('../..', import.meta.url).pathname;

const WORKSPACES = ['core', 'contract', 'server', 'cli', 'web'];

/** All workspaces as one program, so that what they share is read once. */
let program: ts.Program;
beforeAll(() => {
  const host = { ...ts.sys, onUnRecoverableConfigFileDiagnostic: () => undefined };
  const read = WORKSPACES.map((workspace) => {
    const config = ts.getParsedCommandLineOfConfigFile(`${root}${workspace}/tsconfig.json`, {}, host);
    if (!config) throw new Error(`no tsconfig in ${workspace}`);
    return config;
  });
  // The web's options know the most: the page as well as node.
  const { options } = read[WORKSPACES.indexOf('web')] as ts.ParsedCommandLine;
  program = ts.createProgram(
    read.flatMap(({ fileNames }) => fileNames),
    { ...options, composite: false, skipLibCheck: true },
  );
}, 120_000);

/** Places in a workspace where a table is asked for a word by plain indexing, or by `in`, which find what is inherited too. */
function plainlyAsked(workspace: string): string[] {
  const checker = program.getTypeChecker();
  const byAnyWord = (type: ts.Type) =>
    (type.isUnion() ? type.types : [type]).some((one) =>
      checker.getIndexInfosOfType(one).some(({ keyType }) => keyType.flags & ts.TypeFlags.String),
    );
  const found: string[] = [];
  for (const file of program.getSourceFiles()) {
    const name = file.fileName.slice(root.length);
    if (file.isDeclarationFile || !name.startsWith(`${workspace}/src/`)) continue;
    if (/\.test\.tsx?$|\.test-data\.ts$|quantity\/own\.ts$/.test(name)) continue;
    const visit = (node: ts.Node): void => {
      if (isRead(node) && asksByWord(node)) found.push(`${name}: ${node.getText()}`);
      ts.forEachChild(node, visit);
    };
    visit(file);
  }
  return found;

  function asksByWord(node: ts.Node): boolean {
    if (ts.isElementAccessExpression(node))
      return (
        (checker.getTypeAtLocation(node.argumentExpression).flags & ts.TypeFlags.String) !== 0 &&
        byAnyWord(checker.getTypeAtLocation(node.expression))
      );
    return (
      ts.isBinaryExpression(node) &&
      node.operatorToken.kind === ts.SyntaxKind.InKeyword &&
      (checker.getTypeAtLocation(node.left).flags & ts.TypeFlags.String) !== 0 &&
      node.right.getText() !== 'Object.prototype'
    );
  }
}

/** Everything but the left side of an assignment. */
function isRead(node: ts.Node): boolean {
  const { parent } = node;
  if (!parent || !ts.isBinaryExpression(parent) || parent.left !== node) return true;
  const { kind } = parent.operatorToken;
  return kind < ts.SyntaxKind.FirstAssignment || kind > ts.SyntaxKind.LastAssignment;
}

describe('words that people type or files bring', () => {
  it.each(WORKSPACES)(
    'never find in %s what every object inherits: tables are asked through ownEntry or a Map',
    (workspace) => expect(plainlyAsked(workspace)).toEqual([]),
    120_000,
  );
});
