import { Problem } from '@dossier/contract';
import type { FieldPath, FieldValues, UseFormReturn } from 'react-hook-form';
import { problemText } from './api';

/**
 * Says what the server found wrong where it is: at the fields it names.
 * @returns what is to be said beside the form
 */
export function tellForm<T extends FieldValues>(
  form: Pick<UseFormReturn<T>, 'setError' | 'getValues'>,
  error: unknown,
): string {
  const problem = Problem.safeParse((error as { data?: unknown } | undefined)?.data);
  for (const { path, message } of problem.data?.errors ?? [])
    if (path in form.getValues()) form.setError(path as FieldPath<T>, { message });
  return problemText(error);
}
