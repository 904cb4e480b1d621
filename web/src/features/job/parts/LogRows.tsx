/** The rows of a log: all of a short one, those in sight of a long one. */
import { useVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useMemo, useRef, useState, type RefObject } from 'react';
import type { JobView, LogLine } from '../useJobView.js';
import { logIndex, LogRow, type LogIndex } from './LogRow.js';

interface Props {
  readonly view: JobView;
  /** Newest first. */
  readonly lines: readonly LogLine[];
  /** What scrolls. */
  readonly scroll: RefObject<HTMLElement | null>;
  readonly onStrike: (key: string) => void;
  readonly onSum: (id: string) => void;
}

/** Up to here every row is drawn, so that a browser's own search finds it. */
const SHORT = 200;
/** A row of two lines of text, pixels; each is measured once it is drawn. */
const USUAL_PX = 52;
const BESIDE = 20;

export function LogRows(props: Props) {
  const { lines, state } = props.view;
  const index = useMemo(() => logIndex({ lines, state }), [lines, state]);
  if (props.lines.length > SHORT) return <RowsInSight {...props} index={index} />;
  return (
    <ul>
      {props.lines.map((line) => (
        <LogRow
          key={line.event.key}
          line={line}
          view={props.view}
          index={index}
          onStrike={() => props.onStrike(line.event.key)}
          onSum={props.onSum}
        />
      ))}
    </ul>
  );
}

function RowsInSight({ view, lines, scroll, onStrike, onSum, index }: Props & { readonly index: LogIndex }) {
  const list = useRef<HTMLUListElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => setTop(list.current?.offsetTop ?? 0), [view.unreadable.length]);
  // Nothing here is memoized by a compiler: the list is drawn anew with every scroll.
  // eslint-disable-next-line react-hooks/incompatible-library
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => USUAL_PX,
    getItemKey: (i) => lines[i]?.event.key ?? i,
    overscan: BESIDE,
    scrollMargin: top,
  });
  return (
    <ul ref={list} style={{ position: 'relative', height: rows.getTotalSize() }}>
      {rows.getVirtualItems().map(({ index: i, key, start }) => {
        const line = lines[i];
        if (!line) return null;
        const place = {
          ref: rows.measureElement,
          'data-index': i,
          'aria-setsize': lines.length,
          'aria-posinset': i + 1,
          style: { position: 'absolute', insetInline: 0, transform: `translateY(${start - top}px)` } as const,
        };
        return (
          <LogRow
            key={key}
            line={line}
            view={view}
            index={index}
            onStrike={() => onStrike(line.event.key)}
            onSum={onSum}
            place={place}
          />
        );
      })}
    </ul>
  );
}
