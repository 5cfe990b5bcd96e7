import type { ListedOpportunity } from '@dossier/contract';
import { Link, type Href } from 'expo-router';
import { View } from 'react-native';
import { formatDay, formatWhen } from '@/lib/formatDate';
import { Serif, Soft, Text } from '@/ui';
import { moneyWords } from '@/lib/money';

interface Props {
  one: ListedOpportunity;
  stage: string;
  /** Where all are of one firm. */
  withoutFirm?: boolean;
}

/** A piece of business in a list. */
export function OpportunityRow({ one, stage, withoutFirm }: Props) {
  const standing =
    one.state === 'open'
      ? stage
      : `${one.state === 'won' ? 'Won' : 'Lost'}${one.endedAt ? ` ${formatWhen(one.endedAt)}` : ''}`;
  return (
    <View className="border-b border-rule">
      <Link href={`/pipeline/opportunities/${one.id}` as Href} aria-label={`Open ${one.title}`}>
        <View className="w-full py-2 hover:bg-table">
          <View className="flex-row flex-wrap items-baseline justify-between gap-x-4">
            <Serif className="text-[19px] [overflow-wrap:anywhere]">{one.title}</Serif>
            <Text className="tabular">{one.value === null ? '' : moneyWords(one.value, one.currency)}</Text>
          </View>
          {one.company && !withoutFirm ? <Text>{one.company.name}</Text> : null}
          <Soft>
            {[
              standing,
              one.state === 'open' && `${one.chance} %`,
              one.state === 'open' && one.expectedOn && `expected ${formatDay(one.expectedOn)}`,
              one.owner.name,
            ]
              .filter(Boolean)
              .join(' · ')}
          </Soft>
        </View>
      </Link>
    </View>
  );
}
