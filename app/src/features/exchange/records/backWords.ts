import type { TableBack } from '@dossier/contract';
import { counted } from '@/lib/counted';

/** Records that go out and back as tables of their own; also what stands in their addresses. */
export type RecordKind = 'business' | 'companies';
const CALLED: Record<RecordKind, [one: string, several: string]> = {
  business: ['opportunity', 'opportunities'],
  companies: ['firm', 'firms'],
};

/** What a table that came back does, sentence by sentence. */
export function backWords(of: RecordKind, { made, changed, same }: TableBack, isDone: boolean): string[] {
  const several = (number: number) => counted(number, ...CALLED[of]);
  const verb = (number: number) => (isDone ? (number === 1 ? 'was' : 'were') : 'will be');
  const words = [
    changed > 0 && `${several(changed)} ${verb(changed)} changed.`,
    made > 0 && `${several(made)} ${verb(made)} new.`,
    same > 0 && `${several(same)} ${same === 1 ? 'is as it is' : 'are as they are'} here already.`,
  ].filter((one) => one !== false);
  return words.length > 0 ? words : ['Nothing in it is to be done.'];
}
