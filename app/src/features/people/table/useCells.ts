import type { CellsChanged, ListedPerson } from '@dossier/contract';
import { withCell, type CellColumn } from '@dossier/core/people/cells';
import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { useDispatch } from 'react-redux';
import { peopleApi, useChangeCellsMutation } from '../api';
import { listedAs, recordOf, type TableWords } from './columns';

type ApiState = Parameters<ReturnType<typeof peopleApi.endpoints.people.select>>[0];

export interface CellWrite {
  person: ListedPerson;
  column: CellColumn;
  text: string;
}

/** Writes into cells of a list that is shown; its rows stay where they are, and tell what was written. */
export function useCells(address: string, words: TableWords) {
  const dispatch = useDispatch<ThunkDispatch<ApiState, unknown, UnknownAction>>();
  const [change, { isLoading, error }] = useChangeCellsMutation();
  const write = async (writes: readonly CellWrite[]): Promise<CellsChanged | undefined> => {
    const { data } = await change({
      cells: writes.map(({ person, column, text }) => ({ personId: person.id, version: person.version, column, text })),
    });
    if (data) dispatch(peopleApi.util.updateQueryData('people', address, ({ pages }) => rewrite(pages, data, words)));
    return data;
  };
  return { write, isWriting: isLoading, error };
}

function rewrite(pages: { items: ListedPerson[] }[], { cells, versions }: CellsChanged, words: TableWords): void {
  const version = new Map(versions.map((one) => [one.personId, one.version]));
  for (const page of pages)
    page.items.forEach((person, at) => {
      if (!version.has(person.id)) return;
      let record = recordOf(person);
      for (const { personId, column, outcome, words: text } of cells) {
        if (personId !== person.id || outcome !== 'changed') continue;
        const next = withCell(record, column, text, words);
        if (typeof next !== 'string') record = next;
      }
      page.items[at] = listedAs(person, record, version.get(person.id)!);
    });
}
