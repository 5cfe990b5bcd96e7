import { isDoubtful, type DraftField } from '@dossier/core/proof';
import { useCallback, useEffect, useRef, useState } from 'react';

/** Which field of the desk is in focus, and the ways from one to the next. Its functions stay the same from one rendering to the next. */
export function useFieldFocus(fields: readonly DraftField[]) {
  const inputs = useRef(new Map<string, HTMLTextAreaElement>());
  const [focusedId, setFocusedId] = useState<string>();
  const latest = useRef(fields);
  useEffect(() => {
    latest.current = fields;
  });

  const register = useCallback((id: string, element: HTMLTextAreaElement | null) => {
    if (element) inputs.current.set(id, element);
    else inputs.current.delete(id);
  }, []);
  const focusField = useCallback((id: string | undefined) => {
    if (id) inputs.current.get(id)?.focus();
  }, []);
  /** Of a field that is there only once what was just done is painted. */
  const focusSoon = useCallback(
    (idOf: () => string | undefined) => {
      requestAnimationFrame(() => requestAnimationFrame(() => focusField(idOf())));
    },
    [focusField],
  );
  const goToNext = useCallback(
    (id: string) => {
      const at = latest.current.findIndex((field) => field.id === id);
      focusField(latest.current[at + 1]?.id);
    },
    [focusField],
  );
  /** The doubt behind this field, else the first one, it may be the field itself; undefined when there is none. */
  const doubtAfter = (id: string | undefined): string | undefined => {
    const at = latest.current.findIndex((field) => field.id === id);
    return [...latest.current.slice(at + 1), ...latest.current.slice(0, at + 1)].find(isDoubtful)?.id;
  };
  /** One doubt settled, the next one is asked about by itself; after the last one the field stays in focus. */
  const goOn = useCallback((id: string) => focusSoon(() => doubtAfter(id) ?? id), [focusSoon]);

  return { focusedId, setFocusedId, register, focusField, focusSoon, goToNext, doubtAfter, goOn };
}
