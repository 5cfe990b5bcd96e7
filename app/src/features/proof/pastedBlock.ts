import { useDispatch, useStore } from 'react-redux';
import { useAddressPartsMutation } from './api';
import { type CardDraft, proofActions, selectDraft } from './slice';

/**
 * Puts a pasted address of several lines into the fields of its parts.
 * @param label the address they belong to, when it is not the main one
 * @returns a function that tells whether it found an address in the text; without a network it finds none
 */
export function usePastedBlock(cardId: string, country: string | null, label?: string) {
  const dispatch = useDispatch();
  const store = useStore<{ proof: Record<string, CardDraft> }>();
  const [takeApart] = useAddressPartsMutation();
  return async (text: string): Promise<boolean> => {
    const { data } = await takeApart({ text, country });
    for (const { field, value } of data?.parts ?? []) {
      const standing = selectDraft(cardId)(store.getState())?.draft.fields.find(
        (f) => f.field === field && f.label === label && !f.leftOut,
      );
      if (standing) dispatch(proofActions.fieldEdited({ cardId, id: standing.id, value }));
      else dispatch(proofActions.fieldAdded({ cardId, field, value, label }));
    }
    return (data?.parts.length ?? 0) > 0;
  };
}
