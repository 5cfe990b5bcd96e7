import type { FieldName } from '@dossier/core/reading/fields';
import { useDispatch, useStore } from 'react-redux';
import { proofActions, selectDraft, type CardDraft } from './slice';

const ADDRESS: readonly FieldName[] = ['street', 'postalCode', 'locality', 'region', 'country'];

export const isAddressField = (field: FieldName): boolean => ADDRESS.includes(field);

/**
 * Puts a pasted address of several lines into the fields of its parts.
 * @returns a function that tells whether it found an address in the text
 */
export function usePastedBlock(cardId: string, country: string | null, label?: string) {
  const dispatch = useDispatch();
  const store = useStore<{ proof: Record<string, CardDraft> }>();
  return async (text: string): Promise<boolean> => {
    // The whole proposer: fetched only when somebody pastes.
    const { proposeFields, readingOfText } = await import('@dossier/core/reading');
    const proposal = proposeFields(readingOfText(text), { assumedCountry: country ?? undefined });
    const found = proposal.fields.filter(({ field }) => isAddressField(field));
    for (const { field, value } of found) {
      const standing = selectDraft(cardId)(store.getState())?.draft.fields.find(
        (f) => f.field === field && f.label === label && !f.leftOut,
      );
      if (standing) dispatch(proofActions.fieldEdited({ cardId, id: standing.id, value }));
      else dispatch(proofActions.fieldAdded({ cardId, field, value, label }));
    }
    return found.length > 0;
  };
}
