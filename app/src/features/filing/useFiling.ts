import type { FileCard } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { useRef } from 'react';
import { useDispatch } from 'react-redux';
import { v7 as uuidv7 } from 'uuid';
import { displayName } from '@dossier/core/people';
import { useSessionQuery } from '@/features/account';
import { proofActions } from '@/features/proof';
import { forgetDraft } from '@/lib/draftStore';
import { api, isUnreachable } from '@/lib/api';
import { keepForLater } from '@/lib/outbox';
import { useFileCardMutation } from './api';

/**
 * Files a card; a second press, or a retry after a lost answer, is the same request. Without a network it
 * waits on this device, with its draft, until the server has taken it.
 */
export function useFiling(cardId: string) {
  const [file, { isLoading, error }] = useFileCardMutation();
  const router = useRouter();
  const dispatch = useDispatch();
  const { data: session } = useSessionQuery();
  const request = useRef<{ key: string; text: string }>(undefined);
  const submit = async (body: FileCard) => {
    const text = JSON.stringify(body);
    if (request.current?.text !== text) request.current = { key: uuidv7(), text };
    const { data, error: problem } = await file({ key: request.current.key, body });
    if (isUnreachable(problem) && session) {
      await keepForLater(session.user.id, {
        method: 'POST',
        path: '/people',
        headers: { 'Idempotency-Key': request.current.key },
        body,
        words: `File ${displayName(body.fields) || 'a card'}`,
        cardId,
      })(dispatch);
      return router.replace('/tray');
    }
    if (problem) dispatch(api.util.invalidateTags(['Person']));
    if (!data) return;
    await forgetDraft(cardId);
    router.replace(`/people/${data.personId}`);
    dispatch(proofActions.draftClosed(cardId));
  };
  return { submit, isLoading, error };
}
