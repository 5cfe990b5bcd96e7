import { Link, useRouter } from 'expo-router';
import { View } from 'react-native';
import { SettingsSection } from '@/features/account';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { Button, LoadingLines, Notice, Serif, Soft, Text } from '@/ui';
import { usePlansQuery } from '../api';

/** What is done after filing, with days between. */
export function PlansSection() {
  const router = useRouter();
  return (
    <SettingsSection title="Follow-up plans">
      <Text>
        What happens after a card is filed: a first message, a call after some days, a letter. It stops when they
        answer.
      </Text>
      <View className="flex-row">
        <Button look="ink" onPress={() => router.push('/settings/plans/new')}>
          Make a plan
        </Button>
      </View>
      <Plans />
    </SettingsSection>
  );
}

function Plans() {
  const { data, error, refetch } = usePlansQuery();
  if (error && !data)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines lines={3} />;
  if (data.items.length === 0)
    return <Soft>There is none yet. Write a template first, so that there is something to send.</Soft>;
  return (
    <View role="list" aria-label="Plans" className="border-t border-rule">
      {data.items.map(({ id, name, isOn, steps, people, occasions }) => (
        <View key={id} role="listitem" className="border-b border-rule">
          <Link href={`/settings/plans/${id}`} aria-label={name}>
            <View className="w-full gap-1 py-3 hover:bg-table">
              <Serif className="[overflow-wrap:anywhere]">{name}</Serif>
              <Soft>
                {[
                  isOn ? 'On' : 'Off',
                  counted(steps.length, 'step'),
                  `${counted(people, 'person', 'people')} in it`,
                ].join(' · ')}
              </Soft>
              {occasions.length > 0 ? (
                <Soft className="[overflow-wrap:anywhere]">{`Begun by ${occasions.join(', ')}`}</Soft>
              ) : null}
            </View>
          </Link>
        </View>
      ))}
    </View>
  );
}
