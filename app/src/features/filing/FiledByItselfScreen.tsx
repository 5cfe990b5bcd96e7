import type { FiledByItself } from '@dossier/contract';
import { draftOf } from '@dossier/core/proof';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { useFiledByItselfQuery } from '@/features/people';
import { sidesOf, Strip, useCardQuery } from '@/features/proof';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, CannotShow, EmptyPage, Heading, LoadingLines, Notice, Page, Serif, Soft, Text, ToTray } from '@/ui';
import { useAnswerFiledMutation } from './api';

/** What Dossier filed without a person, for a glance: each name over its strip, taken back or found right, one by one or all. */
export function FiledByItselfScreen() {
  const { data, error, refetch } = useFiledByItselfQuery();
  const [answer, answering] = useAnswerFiledMutation();
  if (error && !data) {
    return <CannotShow title="This cannot be shown" error={error} onRetry={refetch} />;
  }
  if (!data) return <LoadingLines />;
  if (data.total === 0) {
    return (
      <EmptyPage title="Nothing to look at" action={<ToTray />}>
        Whatever Dossier files for you is gathered here until somebody has looked at it.
      </EmptyPage>
    );
  }
  const personIds = data.items.map((item) => item.personId);
  return (
    <Page measure={760}>
      <View className="gap-4">
        <View className="gap-1">
          <Heading>Filed for you</Heading>
          <Soft>
            {data.total === 1 ? 'One card, waiting for a glance.' : `${data.total} cards, waiting for a glance.`}
          </Soft>
        </View>
        <View className="flex-row flex-wrap gap-2">
          <Button look="ink" busy={answering.isLoading} onPress={() => void answer({ personIds, answer: 'seen' })}>
            All are right
          </Button>
          <Button busy={answering.isLoading} onPress={() => void answer({ personIds, answer: 'take-back' })}>
            Send all back to the tray
          </Button>
        </View>
        {answering.error ? <Notice fault>{problemText(answering.error)}</Notice> : null}
        {data.items.map((item) => (
          <Filed
            key={item.personId}
            item={item}
            onAnswer={(said) => void answer({ personIds: [item.personId], answer: said })}
          />
        ))}
      </View>
    </Page>
  );
}

function Filed({
  item,
  onAnswer,
}: {
  item: FiledByItself['items'][number];
  onAnswer: (answer: 'seen' | 'take-back') => void;
}) {
  const { data: card } = useCardQuery(item.cardId);
  const fields = card ? draftOf(card.proposals).fields.filter(({ sources }) => sources.length > 0) : [];
  return (
    <View role="group" aria-label={item.fullName} className="gap-2 border-t border-rule pt-3">
      <Link href={`/people/${item.personId}`}>
        <Serif className="text-[20px] leading-[26px] underline-offset-4">{item.fullName}</Serif>
      </Link>
      <Soft>{formatWhen(item.at)}</Soft>
      <View className="flex-row flex-wrap gap-x-6 gap-y-3">
        {fields.map((field) => (
          <View key={field.id} className="w-[300px] max-w-full gap-1">
            <Strip {...sidesOf(card!).front} span={field.sources[0]!} />
            <Text numberOfLines={2}>{field.value}</Text>
          </View>
        ))}
      </View>
      <View className="flex-row flex-wrap gap-2 pb-1">
        <Button label={`${item.fullName} is right`} onPress={() => onAnswer('seen')}>
          Right
        </Button>
        <Button look="bare" label={`Send ${item.fullName} back to the tray`} onPress={() => onAnswer('take-back')}>
          Send back
        </Button>
      </View>
    </View>
  );
}
