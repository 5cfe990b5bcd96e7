import type { Person, PersonEdit } from '@dossier/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { ListPosition } from '@/ui';

interface PeopleState {
  /** How far lists were scrolled, by their address; the latest last. */
  positions: { address: string; position: ListPosition }[];
  /** The change of many that was made here last, until it is not to be told any more. */
  changeId: string | null;
  /** Forms that were left with something in them, the latest last. */
  left: LeftEdit[];
}

/** What was written in somebody's form and not saved. */
export interface LeftEdit {
  personId: string;
  name: string;
  values: Omit<PersonEdit, 'version'>;
  /** The record as it was when the form was opened. */
  seen: Person;
}

const REMEMBERED = 30;

export const peopleSlice = createSlice({
  name: 'people',
  initialState: { positions: [], changeId: null, left: [] } as PeopleState,
  reducers: {
    editLeft(state, { payload }: PayloadAction<LeftEdit>) {
      state.left = [...state.left.filter(({ personId }) => personId !== payload.personId), payload];
    },
    editForgotten(state, { payload }: PayloadAction<string>) {
      state.left = state.left.filter(({ personId }) => personId !== payload);
    },
    changeTold(state, { payload }: PayloadAction<string | null>) {
      state.changeId = payload;
    },
    scrolledTo(state, { payload }: PayloadAction<{ address: string; position: ListPosition }>) {
      state.positions = [...state.positions.filter(({ address }) => address !== payload.address), payload].slice(
        -REMEMBERED,
      );
    },
  },
});

export const selectListPosition =
  (address: string) =>
  ({ people }: { people: PeopleState }): ListPosition | undefined =>
    people.positions.find((one) => one.address === address)?.position;

export const selectChangeId = ({ people }: { people: PeopleState }): string | null => people.changeId;

export const selectLeftEdit =
  (personId: string) =>
  ({ people }: { people: PeopleState }): LeftEdit | undefined =>
    people.left.find((one) => one.personId === personId);
export const selectLastLeft = ({ people }: { people: PeopleState }): LeftEdit | undefined => people.left.at(-1);
