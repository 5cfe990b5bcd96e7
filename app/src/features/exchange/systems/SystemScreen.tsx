import type { Destination } from '@dossier/contract';
import { Link, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { SettingsSection } from '@/features/account';
import { isNotHere, problemText } from '@/lib/api';
import { Button, LoadingLines, Notice, Soft, Text } from '@/ui';
import { useChangeSystemMutation, useRemoveSystemMutation, useRepeatHeldMutation, useSystemQuery } from './api';
import { SystemDeliveries } from './Deliveries';
import { fieldsOf } from './systemForm';
import { standingOf, whenWords, whereOf } from './words';

const LOOK_MS = 3_000;

/** One other system: how it stands, what was sent there, and what can be done about it. */
export function SystemScreen({ systemId }: { systemId: string }) {
  const { data: system, error, refetch } = useSystemQuery(systemId, { pollingInterval: LOOK_MS });
  return (
    <SettingsSection title="Other systems" heading={system?.name}>
      {error && !system ? (
        <Notice fault action={isNotHere(error) ? undefined : <Button onPress={() => void refetch()}>Try again</Button>}>
          {isNotHere(error) ? 'This system is not set up any more.' : problemText(error)}
        </Notice>
      ) : !system ? (
        <LoadingLines />
      ) : (
        <>
          <Standing system={system} />
          <SystemDeliveries systemId={systemId} />
        </>
      )}
      <Onward href="/settings/systems">All other systems</Onward>
    </SettingsSection>
  );
}

const Onward = ({ href, children }: { href: Href; children: string }) => (
  <Link href={href}>
    <View className="min-h-touch justify-center">
      <Text className="underline underline-offset-4">{children}</Text>
    </View>
  </Link>
);

function Standing({ system }: { system: Destination }) {
  const { id, paused, pausedWhy, held, to } = system;
  const router = useRouter();
  const [change, changing] = useChangeSystemMutation();
  const [repeat, repeating] = useRepeatHeldMutation();
  const [remove, removing] = useRemoveSystemMutation();
  const [isRemoving, setIsRemoving] = useState(false);
  const problem = changing.error ?? repeating.error ?? removing.error;
  const isUnset = to.kind === 'system' && system.mapping.lead.length + system.mapping.contact.length === 0;
  return (
    <View className="gap-2">
      <Soft className="[overflow-wrap:anywhere]">{whereOf(system)}</Soft>
      <Soft>{whenWords(system)}</Soft>
      <Text role="status" className={held > 0 || pausedWhy ? 'text-brick' : ''}>
        {standingOf(system)}
      </Text>
      {isUnset ? (
        <Notice>Nothing goes into any field yet: say what goes where, and people can be handed over.</Notice>
      ) : null}
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      <View className="flex-row flex-wrap gap-3 pt-1">
        {held > 0 ? (
          <Button look="ink" busy={repeating.isLoading} onPress={() => void repeat(id)}>
            Send again what waits for somebody
          </Button>
        ) : null}
        <Button
          look={pausedWhy ? 'ink' : 'plain'}
          busy={changing.isLoading}
          onPress={() => void change({ id, fields: fieldsOf(system, { paused: !paused }) })}
        >
          {paused ? 'Go on' : 'Pause'}
        </Button>
      </View>
      <View className="flex-row flex-wrap gap-x-5">
        {to.kind === 'system' ? (
          <Onward href={`/settings/systems/${id}/fields`}>What goes into which field</Onward>
        ) : null}
        <Onward href={`/settings/systems/${id}/set-up`}>How it is reached, and when</Onward>
      </View>
      {isRemoving ? (
        <View className="gap-2">
          <Text>
            Nobody is handed over to it any more. What is there stays there; where it is there is forgotten here.
          </Text>
          <View className="flex-row flex-wrap gap-3">
            <Button
              look="brick"
              busy={removing.isLoading}
              onPress={() => void remove(id).then(({ error }) => !error && router.replace('/settings/systems'))}
            >
              Remove this system
            </Button>
            <Button onPress={() => setIsRemoving(false)}>Keep it</Button>
          </View>
        </View>
      ) : (
        <View className="-ml-4 flex-row">
          <Button look="brick" onPress={() => setIsRemoving(true)}>
            Remove
          </Button>
        </View>
      )}
    </View>
  );
}
