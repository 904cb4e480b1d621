/** The Book as the server answers: pages, figures, what is due. */
import { bookFiguresSchema, bookPageSchema, importedSchema, type BookQuery } from '@amber-gauge/contract';
import { useInfiniteQuery, useMutation, useQuery } from '@tanstack/react-query';
import { call } from '../../shared/api/client.js';
import { queryClient } from '../../shared/api/queries.js';

/** The query as an address carries it; empty fields are left out. */
export const queryText = (query: BookQuery): string =>
  new URLSearchParams(Object.entries(query).filter((one): one is [string, string] => Boolean(one[1]))).toString();

/** Pages, each begun behind the last row of the one before. */
export const useBookPages = (query: BookQuery) =>
  useInfiniteQuery({
    queryKey: ['book', query],
    queryFn: ({ signal, pageParam }) =>
      call(`/book?${queryText({ ...query, ...pageParam })}`, bookPageSchema, { signal }),
    initialPageParam: {} as Pick<BookQuery, 'beforeAt' | 'beforeId'>,
    getNextPageParam: ({ rows, more }) => {
      const last = rows.at(-1);
      return more && last ? { beforeAt: last.movedAt, beforeId: last.job.id } : undefined;
    },
  });

/** The figures of the shop between two days. */
export const useFigures = (query: Pick<BookQuery, 'from' | 'to'>) =>
  useQuery({
    queryKey: ['book-figures', query],
    queryFn: ({ signal }) => call(`/book/figures?${queryText(query)}`, bookFiguresSchema, { signal }),
  });

/** Puts a bundle in. */
export const useImport = () =>
  useMutation({
    mutationFn: (bundle: unknown) => call('/bundles', importedSchema, { method: 'POST', body: bundle as object }),
    onSuccess: () => queryClient.invalidateQueries(),
  });
