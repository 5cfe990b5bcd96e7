import type { Choice, Difference } from '@dossier/core/matching';
import type { PersonFields } from '@dossier/core/people';
import { Pressable, View } from 'react-native';
import { personFieldLabel } from '@/lib/fieldLabels';
import { Soft, Text } from '@/ui';

interface Props {
  differences: readonly Difference[];
  choiceOf: (field: keyof PersonFields) => Choice | undefined;
  onChoose: (field: keyof PersonFields, choice: Choice) => void;
}

const LISTS = ['emails', 'phones', 'websites', 'more'];

/** Field by field, where the card says something else than the record: keep the one or take the other. */
export function CompareFields({ differences, choiceOf, onChoose }: Props) {
  if (differences.length === 0) return <Soft>The card says nothing new about this person.</Soft>;
  return (
    <View className="gap-1 pt-2">
      <Soft>
        {differences.length === 1 ? 'One field differs.' : `${differences.length} fields differ.`} Choose what stays.
      </Soft>
      {differences.map(({ field, known, card }) => {
        const label = personFieldLabel(field);
        const choice = choiceOf(field);
        return (
          <View key={field} role="radiogroup" aria-label={label} className="border-b border-rule py-2">
            <Soft>{label}</Soft>
            <View className="flex-row gap-2 pt-1">
              <Side
                words="Keep"
                value={known || 'nothing'}
                chosen={choice === 'keep'}
                onChoose={() => onChoose(field, 'keep')}
                label={`${label}: keep ${known || 'nothing'}`}
              />
              {LISTS.includes(field) && known ? (
                <Side
                  words="Keep both"
                  value={`${known}, ${card}`}
                  chosen={choice === 'both'}
                  onChoose={() => onChoose(field, 'both')}
                  label={`${label}: keep both`}
                  brief
                />
              ) : null}
              <Side
                words="Take"
                value={card}
                chosen={choice === 'take' || (choice === 'both' && !known)}
                onChoose={() => onChoose(field, 'take')}
                label={`${label}: take ${card}`}
              />
            </View>
          </View>
        );
      })}
    </View>
  );
}

const Side = ({
  words,
  value,
  chosen,
  onChoose,
  label,
  brief,
}: {
  words: string;
  value: string;
  chosen: boolean;
  onChoose: () => void;
  label: string;
  /** The value stands on both sides already. */
  brief?: boolean;
}) => (
  <Pressable
    role="radio"
    aria-checked={chosen}
    aria-label={label}
    onPress={onChoose}
    className={`min-h-touch min-w-0 ${brief ? '' : 'flex-1'} gap-[2px] rounded-[4px] border px-3 py-2 active:opacity-70 ${chosen ? 'border-ink bg-sheet' : 'border-rule'}`}
  >
    <Soft className={chosen ? 'font-medium text-ink' : ''}>{chosen ? `${words} ✓` : words}</Soft>
    {brief ? null : (
      <Text className={chosen ? '' : 'text-soft'} style={{ overflowWrap: 'anywhere' } as object}>
        {value}
      </Text>
    )}
  </Pressable>
);
