import type ts from 'typescript';

/** Texts in a file that people read and that are not said. */
export function unsaidIn(typescript: typeof ts, file: ts.SourceFile): ts.Node[];
/** The sentences of a file as they stand in the list. */
export function saidIn(typescript: typeof ts, file: ts.SourceFile): { key: string; gaps: string[]; line: number }[];
