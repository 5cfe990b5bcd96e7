import type { Match } from '@dossier/contract';
import { Pressable, View } from 'react-native';
import { Reasons } from '@/features/matching';
import { likelihoodWords } from '@/lib/likelihood';
import { Button, Serif, Soft, Text } from '@/ui';

interface Props {
  matches: readonly Match[];
  /** Id of the person to update, null for somebody new. */
  chosen: string | null;
  onChoose: (personId: string | null) => void;
  /** Somebody else than this person: not asked again. */
  onNotSame: (personId: string) => void;
}

/** Who is known and may be the person of the card, with the reasons; or somebody new. */
export function KnownPeople({ matches, chosen, onChoose, onNotSame }: Props) {
  if (matches.length === 0) return <Soft>Nobody here is like this person. This will be somebody new.</Soft>;
  return (
    <View role="radiogroup" aria-label="Already known?">
      {matches.map(({ person, evidence, likelihood, newJob }) => (
        <View key={person.id} className={`border-b border-rule ${chosen === person.id ? 'bg-sheet' : ''}`}>
          <Option
            chosen={chosen === person.id}
            onChoose={() => onChoose(person.id)}
            label={`${person.fullName || 'Unnamed'}, ${person.fields.company}`}
          >
            <Serif>{person.fullName || 'Unnamed'}</Serif>
            <Soft>{[person.fields.title, person.fields.company].filter(Boolean).join(', ')}</Soft>
            <Text className="pt-1 font-medium">
              {newJob ? `${likelihoodWords(likelihood)}, in a new job` : likelihoodWords(likelihood)}
            </Text>
          </Option>
          <View className="items-start gap-1 pb-2 pl-[42px] pr-3">
            <View className="w-full">
              <Reasons evidence={evidence} />
            </View>
            <Button
              look="bare"
              className="-ml-4"
              label={`${person.fullName} is somebody else`}
              onPress={() => onNotSame(person.id)}
            >
              Somebody else
            </Button>
          </View>
        </View>
      ))}
      <View className={`border-b border-rule ${chosen === null ? 'bg-sheet' : ''}`}>
        <Option chosen={chosen === null} onChoose={() => onChoose(null)} label="Somebody new">
          <Text>Somebody new</Text>
        </Option>
      </View>
    </View>
  );
}

const Option = ({
  chosen,
  onChoose,
  label,
  children,
}: {
  chosen: boolean;
  onChoose: () => void;
  label: string;
  children: React.ReactNode;
}) => (
  <Pressable
    role="radio"
    aria-checked={chosen}
    aria-label={label}
    onPress={onChoose}
    className="min-h-touch flex-row items-start gap-3 px-3 pb-1 pt-3 hover:bg-table"
  >
    <View className="mt-[5px] h-[18px] w-[18px] items-center justify-center rounded-full border border-ink">
      {chosen ? <View className="h-[10px] w-[10px] rounded-full bg-ink" /> : null}
    </View>
    <View className="min-w-0 flex-1">{children}</View>
  </Pressable>
);
