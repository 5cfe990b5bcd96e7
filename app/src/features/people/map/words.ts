import type { MapTown } from '@dossier/contract';
import { countryName } from '@/lib/countries';

/** Near ones to a tenth, others to whole kilometres. */
export const kilometreWords = (km: number): string =>
  km < 0.05 ? 'the same place' : `${km < 10 ? km.toFixed(1) : Math.round(km).toLocaleString('en')} km`;

/** A town so that it is told from others of its name. */
export const townWords = ({ name, region, country, population }: MapTown): string =>
  `${name}, ${[/^[A-Z]+$/.test(region) && region, countryName(country)].filter(Boolean).join(', ')} (${population.toLocaleString('en')})`;
