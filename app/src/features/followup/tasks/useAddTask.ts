import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { v7 as uuidv7 } from 'uuid';
import { useSessionQuery } from '@/features/account';
import { isUnreachable } from '@/lib/api';
import { keepForLater } from '@/lib/outbox';
import { useAddTaskMutation } from '../api';

/** Whom or what a task is about; neither for one of its own. */
export interface About {
  personId?: string;
  companyId?: string;
  opportunityId?: string;
}

interface New extends About {
  text: string;
  dueOn: string | null;
  dueTime: string | null;
}

/** Makes a task; without a network it waits on this device with everything else. @returns whether it is made or kept */
export function useAddTask() {
  const [add, { isLoading, error }] = useAddTaskMutation();
  const { data: session } = useSessionQuery();
  const dispatch = useDispatch();
  const [isKept, setIsKept] = useState(false);
  const make = async (task: New): Promise<boolean> => {
    const body = { ...task, id: uuidv7() };
    const answer = await add(body);
    setIsKept(false);
    if (!answer.error) return true;
    if (!isUnreachable(answer.error) || !session) return false;
    await keepForLater(session.user.id, { method: 'POST', path: '/tasks', body, words: `Task: ${task.text}` })(
      dispatch,
    );
    setIsKept(true);
    return true;
  };
  return { make, isKept, isLoading, error: isUnreachable(error) ? undefined : error };
}
