import { useEffect, useRef } from 'react';
import { useDispatch } from 'react-redux';
import { peopleSlice, type LeftEdit } from './slice';

/**
 * What is written in a form outlives it: whoever goes elsewhere finds it again, whoever closes the window is asked.
 * @returns what is called once it is saved, or not wanted
 */
export function useUnsaved(isDirty: boolean, left: () => LeftEdit): () => void {
  const dispatch = useDispatch();
  const latest = useRef({ isDirty, left });
  const isOver = useRef(false);
  useEffect(() => {
    latest.current = { isDirty, left };
  });
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent) => {
      if (latest.current.isDirty && !isOver.current) event.preventDefault();
    };
    globalThis.addEventListener('beforeunload', ask);
    return () => {
      globalThis.removeEventListener('beforeunload', ask);
      if (latest.current.isDirty && !isOver.current) dispatch(peopleSlice.actions.editLeft(latest.current.left()));
    };
  }, [dispatch]);
  return () => {
    isOver.current = true;
    dispatch(peopleSlice.actions.editForgotten(latest.current.left().personId));
  };
}
