import type { FileCard } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { useRef } from 'react';
import { useDispatch } from 'react-redux';
import { v7 as uuidv7 } from 'uuid';
import { useFileCardMutation } from '@/features/people';
import { forgetDraft, proofActions } from '@/features/proof';
import { api } from '@/lib/api';

/** Files a card; a second press, or a retry after a lost answer, is the same request. */
export function useFiling(cardId: string) {
  const [file, { isLoading, error }] = useFileCardMutation();
  const router = useRouter();
  const dispatch = useDispatch();
  const request = useRef<{ key: string; text: string }>(undefined);
  const submit = async (body: FileCard) => {
    const text = JSON.stringify(body);
    if (request.current?.text !== text) request.current = { key: uuidv7(), text };
    const { data, error: problem } = await file({ key: request.current.key, body });
    if (problem) dispatch(api.util.invalidateTags(['Person']));
    if (!data) return;
    await forgetDraft(cardId);
    router.replace(`/people/${data.personId}`);
    dispatch(proofActions.draftClosed(cardId));
  };
  return { submit, isLoading, error };
}
