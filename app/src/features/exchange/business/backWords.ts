import type { BusinessBack } from '@dossier/contract';
import { counted } from '@/lib/counted';

const several = (number: number): string => counted(number, 'opportunity', 'opportunities');

/** What a table that came back does, sentence by sentence. */
export function backWords({ made, changed, same }: BusinessBack, isDone: boolean): string[] {
  const verb = (number: number) => (isDone ? (number === 1 ? 'was' : 'were') : 'will be');
  const words = [
    changed > 0 && `${several(changed)} ${verb(changed)} changed.`,
    made > 0 && `${several(made)} ${verb(made)} new.`,
    same > 0 && `${several(same)} ${same === 1 ? 'is' : 'are'} as they are here already.`,
  ].filter((one) => one !== false);
  return words.length > 0 ? words : ['Nothing in it is to be done.'];
}
