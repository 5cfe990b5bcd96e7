import type { NoteKind, Person } from '@dossier/contract';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { v7 as uuidv7 } from 'uuid';
import { useSessionQuery } from '@/features/account';
import { isUnreachable } from '@/lib/api';
import { keepForLater } from '@/lib/outbox';
import { useAddNoteMutation } from './api';

/** Writes a note, or that somebody called or was there; without a network it waits on this device with everything else. */
export function useAddNote(person: Person) {
  const [send, { isLoading, error }] = useAddNoteMutation();
  const { data: session } = useSessionQuery();
  const dispatch = useDispatch();
  const [isKept, setIsKept] = useState(false);
  /** @returns whether it is written or kept */
  const add = async (kind: NoteKind, text: string): Promise<boolean> => {
    const note = { id: uuidv7(), kind, text };
    const answer = await send({ personId: person.id, note });
    const isOut = isUnreachable(answer.error) && session !== undefined;
    if (isOut)
      await keepForLater(session.user.id, {
        method: 'POST',
        path: `/people/${person.id}/notes`,
        body: note,
        words: `Note about ${person.fullName || 'somebody'}`,
      })(dispatch);
    setIsKept(isOut);
    return isOut || !answer.error;
  };
  return { add, isLoading, error: isUnreachable(error) ? undefined : error, isKept };
}
