import type { ListView } from '@dossier/contract';
import { useMay, useSessionQuery } from '@/features/account';
import { useViewsQuery } from '../api';
import { addressOf, placeOfAddress, type ListPlace } from './place';

/** The kept view that shows exactly this list. */
export function useViewShown(place: ListPlace): ListView | undefined {
  const address = addressOf(place);
  return useViewsQuery().data?.items.find(({ query }) => addressOf(placeOfAddress(query)) === address);
}

/** The view that shows this list, where whoever is here may change it: their own, or the team's for who is in charge. */
export function useChangeableView(place: ListPlace): ListView | undefined {
  const shown = useViewShown(place);
  const { data: session } = useSessionQuery();
  const may = useMay();
  return shown?.ownerId === session?.user.id || may('settle') ? shown : undefined;
}
