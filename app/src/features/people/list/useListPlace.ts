import { useGlobalSearchParams, useRouter, type Href } from 'expo-router';
import { useMemo } from 'react';
import { addressOf, paramsOf, placeOf, type ListPlace } from './place';

/** The list that the address of the page tells of, also beside a person. */
export function useListPlace() {
  const params = useGlobalSearchParams();
  const { personId: _person, ...own } = params as Record<string, string | string[]>;
  const address = addressOf(placeOf(own));
  // The same list is the same object, whatever else the address says.
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the address holds all of it
  const place = useMemo(() => placeOf(own), [address]);
  const router = useRouter();
  return {
    place,
    address,
    /** Another list in the same page: what is written stays in its field, and going back leads to the page before. */
    go: (next: ListPlace) => router.setParams(paramsOf(next)),
    /** The address of somebody, with the list kept beside. */
    personAt: (id: string): Href => withAddress(`/people/${id}`, address),
    /** The address of the list itself, and of the same one as a table or on a map. */
    listAt: withAddress('/people', address),
    tableAt: withAddress('/people/table', address),
    mapAt: withAddress('/people/map', address),
  };
}

const withAddress = (path: string, address: string): Href => (address ? `${path}?${address}` : path) as Href;
