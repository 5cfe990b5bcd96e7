import { may, type Act } from '@dossier/core/account';
import { useSessionQuery } from './api';

/** Whether whoever is signed in may do something; the server asks the same table. */
export function useMay(): (act: Act) => boolean {
  const role = useSessionQuery().data?.user.role;
  return (act) => role !== undefined && may(role, act);
}
