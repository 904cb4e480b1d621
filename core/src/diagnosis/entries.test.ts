/** Each kind of line of a case, as a careful person would read it: what it says, of which part, with what sureness. */
import { describe, expect, it } from 'vitest';
import { eventsFrom } from './caseEvents.js';
import type { CaseEntry } from './caseFile.js';
import table from './entries.json' with { type: 'json' };
import { SMALL } from './smallPath.test-data.js';

interface Row {
  readonly say: string;
  readonly entries: readonly CaseEntry[];
  readonly events?: readonly object[];
  /** What no observation may hold. */
  readonly without?: readonly string[];
  readonly problem?: readonly [string, string];
}

const rows = table.small as unknown as readonly Row[];

describe('a line of a case', () => {
  it.each(rows)('$say', ({ entries, events, without, problem }) => {
    const read = eventsFrom(SMALL, entries);
    if ('reason' in read) return expect([read.reason, read.message.replace(/\s+/g, ' ')]).toEqual(problem);
    expect(read.events).toMatchObject(events ?? []);
    expect(read.events).toHaveLength(events?.length ?? 0);
    for (const event of read.events)
      for (const key of without ?? []) expect(event.kind === 'saw' ? event.observation : {}).not.toHaveProperty(key);
  });
});
