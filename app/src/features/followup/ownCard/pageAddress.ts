import type { OwnCard } from '@dossier/contract';

/** Where others find the page: under the address that is set for them, else under the one that is in use here. */
export const pageAddress = ({ address, path }: NonNullable<OwnCard['page']>): string => address ?? `${globalThis.location?.origin ?? ''}${path}`; // prettier-ignore
