import type { Match } from '@dossier/contract';
import { Pressable, View } from 'react-native';
import { Serif, Soft, Text } from '@/ui';

interface Props {
  matches: readonly Match[];
  /** Id of the person to update, null for somebody new. */
  chosen: string | null;
  onChoose: (personId: string | null) => void;
}

/** Who has one of the card's addresses or numbers already, with the reasons; or somebody new. */
export function KnownPeople({ matches, chosen, onChoose }: Props) {
  if (matches.length === 0)
    return <Soft>Nobody here has one of these addresses or numbers. This will be somebody new.</Soft>;
  return (
    <View role="radiogroup" aria-label="Already known?">
      {matches.map(({ person, reasons }) => (
        <Option key={person.id} chosen={chosen === person.id} onChoose={() => onChoose(person.id)}>
          <Serif>{person.fullName || 'Unnamed'}</Serif>
          <Soft>{[person.fields.title, person.fields.company].filter(Boolean).join(', ')}</Soft>
          {reasons.map((reason) => (
            <Text key={reason} className="text-[15px]">
              {reason}
            </Text>
          ))}
        </Option>
      ))}
      <Option chosen={chosen === null} onChoose={() => onChoose(null)}>
        <Text>Somebody new</Text>
      </Option>
    </View>
  );
}

const Option = ({
  chosen,
  onChoose,
  children,
}: {
  chosen: boolean;
  onChoose: () => void;
  children: React.ReactNode;
}) => (
  <Pressable
    role="radio"
    aria-checked={chosen}
    onPress={onChoose}
    className={`min-h-touch flex-row items-start gap-3 border-b border-rule px-3 py-3 hover:bg-table ${chosen ? 'bg-sheet' : ''}`}
  >
    <View className="mt-[5px] h-[18px] w-[18px] items-center justify-center rounded-full border border-ink">
      {chosen ? <View className="h-[10px] w-[10px] rounded-full bg-ink" /> : null}
    </View>
    <View className="min-w-0 flex-1">{children}</View>
  </Pressable>
);
