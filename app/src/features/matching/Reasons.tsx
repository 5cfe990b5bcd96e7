import type { Evidence } from '@dossier/contract';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Soft, Text } from '@/ui';

/** How much a reason counts. @param weight in bits: one more makes it twice as likely or unlikely */
const weighs = (weight: number): string =>
  Math.abs(weight) >= 5 ? 'counts much' : Math.abs(weight) >= 1.5 ? 'counts' : 'counts a little';

/** So many reasons are said at once. */
const AT_FIRST = 3;

/** Why two records are taken for one person, or doubted to be: what speaks for it, then what against, the most telling first. */
export function Reasons({ evidence }: { evidence: readonly Evidence[] }) {
  const [all, setAll] = useState(false);
  const told = [...evidence].sort((a, b) => Number(b.weight > 0) - Number(a.weight > 0));
  const shown = all ? told : told.slice(0, AT_FIRST);
  return (
    <View>
      {shown.map(({ words, weight }) => (
        <View key={words} className="flex-row items-baseline justify-between gap-3">
          <Text className={`min-w-0 flex-1 text-[15px] leading-[22px] ${weight > 0 ? '' : 'text-soft'}`}>
            {weight > 0 ? words : `but ${words}`}
          </Text>
          {all ? <Soft>{weighs(weight)}</Soft> : null}
        </View>
      ))}
      {told.length > AT_FIRST || all ? (
        <Pressable
          role="button"
          onPress={(event) => {
            event.stopPropagation();
            setAll(!all);
          }}
          className="min-h-[32px] justify-center self-start"
        >
          <Soft className="underline underline-offset-4">{all ? 'Fewer' : `All ${told.length} reasons`}</Soft>
        </Pressable>
      ) : null}
    </View>
  );
}
