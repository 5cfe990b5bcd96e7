import type { Match } from '@dossier/contract';
import { View } from 'react-native';
import { Button, Serif, Soft } from '@/ui';

/** Who has one of the card's addresses or numbers already; as soon as there is one, and following every change. */
export function KnownBeside({ matches, onCompare }: { matches: readonly Match[]; onCompare: () => void }) {
  const [first, ...others] = matches;
  if (!first) return null;
  const { fullName, fields } = first.person;
  return (
    <View role="status" className="flex-row items-center gap-3 border-b border-rule bg-sheet px-4 py-2">
      <View className="min-w-0 flex-1">
        <Serif numberOfLines={1} className="text-[18px] leading-[24px]">
          {`${fullName || 'Somebody'} is known`}
        </Serif>
        <Soft numberOfLines={2}>
          {[fields.company, ...first.reasons, others.length > 0 && `and ${others.length} more`]
            .filter(Boolean)
            .join(' · ')}
        </Soft>
      </View>
      <Button onPress={onCompare}>Compare</Button>
    </View>
  );
}
