import type { Match } from '@dossier/contract';
import type { PersonFields } from '@dossier/core/people';
import { View } from 'react-native';
import { likelihoodWords } from '@/lib/likelihood';
import { Button, Serif, Soft } from '@/ui';

/** Below this likelihood nobody is held up: the comparison shows them to whoever looks. */
export const WORTH_ASKING = 0.2;

/** Whether there is enough on a card to know somebody by. */
export const canBeKnown = ({ familyName, emails, phones }: PersonFields): boolean =>
  familyName.length > 1 || emails.length + phones.length > 0;

/** Who may be known already as the person of this card; as soon as there is enough, and following every change. */
export function KnownBeside({ matches, onCompare }: { matches: readonly Match[]; onCompare: () => void }) {
  const [first, ...others] = matches;
  if (!first) return null;
  const { fullName, fields } = first.person;
  const reasons = first.evidence.filter(({ weight }) => weight > 0).slice(0, 2);
  return (
    <View role="status" className="flex-row items-center gap-3 border-b border-rule bg-sheet px-4 py-2">
      <View className="min-w-0 flex-1">
        <Serif numberOfLines={1} className="text-[18px] leading-[24px]">
          {`${fullName || 'Somebody'} is known`}
        </Serif>
        <Soft numberOfLines={2}>
          {[
            first.newJob ? `${likelihoodWords(first.likelihood)}, in a new job` : likelihoodWords(first.likelihood),
            fields.company,
            ...reasons.map(({ words }) => words),
            others.length > 0 && `and ${others.length} more`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Soft>
      </View>
      <Button onPress={onCompare}>Compare</Button>
    </View>
  );
}
